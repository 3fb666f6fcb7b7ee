<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Upload;

use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\MarkedByHand;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;

/**
 * The learner hands in files, and a person marks them. Response: {"files": [{"name": "sketch.jpg", "type": "image/jpeg", "size": 81234}]};
 * the files themselves are kept by whoever runs the test, never here.
 */
final class UploadKind implements Kind
{
    use MarkedByHand;

    /** Looking through a file takes as long as reading so many words. */
    private const WORDS_OF_A_FILE = 300;

    /** What a learner's own machine can still send. */
    private const LARGE = 500_000_000;

    public function name(): string
    {
        return 'upload';
    }

    public function readSettings(mixed $json, string $path): UploadSettings
    {
        return UploadSettings::read($json, $path);
    }

    public function expectedWords(object $settings): int
    {
        return self::settings($settings)->count * self::WORDS_OF_A_FILE;
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part->settings);
        $given = $response->files ?? null;
        $files = is_array($given) ? array_map(GivenFile::read(...), array_values($given)) : [null];
        if (in_array(null, $files, true)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.upload.response-files'));
        }
        if ($files === []) {
            return PartOutcome::unanswered();
        }
        if (count($files) > $settings->count) {
            return PartOutcome::unreadable(
                'upload.too_many',
                Message::of('parts.upload.too-many', ['most' => $settings->count, 'count' => count($files)]),
            );
        }
        foreach ($files as $file) {
            if (! $settings->takes($file->type)) {
                return PartOutcome::unreadable(
                    'upload.type',
                    Message::of('parts.upload.wrong-kind', ['name' => $file->name, 'kinds' => FileKinds::named($settings->types)]),
                );
            }
            if ($file->size !== null && $file->size > $settings->size) {
                return PartOutcome::unreadable(
                    'upload.size',
                    Message::of('parts.upload.too-large', [
                        'name' => $file->name,
                        'size' => FileKinds::size($file->size),
                        'most' => FileKinds::size($settings->size),
                    ]),
                );
            }
        }

        return PartOutcome::needsMarking([['step' => 'files.counted', 'files' => count($files), 'most' => $settings->count]]);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return ['types' => $settings->types, 'size' => $settings->size, 'count' => $settings->count];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        $settings = self::settings($part->settings);

        return '<p class="limit">'.
            Paper::text(
                Message::of('parts.upload.hand-in', ['count' => $settings->count, 'kinds' => FileKinds::named($settings->types) ?: 'any']),
            ).
            '</p>';
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $settings = self::settings($part->settings);

        return $settings->size > self::LARGE
            ? [
                Finding::warning('upload.large', "$part->path/settings/size", Message::of('parts.upload.large', [
                    'size' => FileKinds::size($settings->size),
                ])),
            ]
            : [];
    }

    public function texts(Part $part): array
    {
        return [];
    }

    public function mapping(): KindMapping
    {
        return new UploadMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $names = array_values(array_filter(array_map(trim(...), explode(';', $written)), fn (string $name): bool => $name !== ''));

        return (object) ['files' => array_map(fn (string $name): \stdClass => (object) ['name' => $name], $names)];
    }

    private static function settings(object $settings): UploadSettings
    {
        assert($settings instanceof UploadSettings);

        return $settings;
    }
}
