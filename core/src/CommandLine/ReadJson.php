<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** The output of read, read back. */
final readonly class ReadJson
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  string|null  $folder  where media lie by hash, when they are not in the JSON
     *
     * @throws Malformed
     */
    public function found(mixed $json, ?string $folder): PackageContents
    {
        $fields = Fields::of($json, '', ['questions', 'stimuli', 'groups', 'assessments', 'media', 'frameworks', 'notices', 'mapping']);
        $found = new PackageContents;
        foreach ($fields->list('questions', 1_000_000) as $i => $question) {
            try {
                $found->questions[] = Question::read($question, $this->kinds)->toJson();
            } catch (Malformed $problem) {
                throw $problem->under("/questions/$i");
            }
        }
        foreach ([
            'stimuli' => 'stimulus',
            'groups' => 'group',
            'assessments' => 'assessment',
            'frameworks' => 'framework',
        ] as $name => $type) {
            foreach ($fields->list($name, 1_000_000) as $i => $thing) {
                $found->add(
                    PackageContents::thing(
                        $type,
                        $thing instanceof \stdClass ? $thing : throw Malformed::wrongType(
                            "/$name/$i",
                            Message::of('commandLine.object'),
                            $thing,
                        ),
                    ),
                );
            }
        }
        foreach ($fields->list('media', 1_000_000) as $i => $entry) {
            $entry = Fields::of($entry, "/media/$i", ['id', 'sha256', 'type', 'name', 'data']);
            $hash = $entry->string('sha256');
            $file = $folder !== null && preg_match('/^[0-9a-f]{64}$/D', $hash) === 1 ? "$folder/$hash" : null;
            $bytes = $entry->has('data')
                ? base64_decode($entry->string('data', '', PHP_INT_MAX), true)
                : ($file !== null && is_file($file)
                    ? file_get_contents($file)
                    : false);
            $found->media[] =
                $bytes !== false && hash('sha256', $bytes) === $hash
                    ? Medium::of($entry->id(), $entry->string('type'), $entry->string('name'), $bytes)
                    : throw Malformed::outOfRange("/media/$i", Message::of('commandLine.bytes-belong-hash'), $hash);
        }

        return $found;
    }
}
