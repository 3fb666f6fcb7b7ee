<?php

declare(strict_types=1);

namespace App\Actions\Standards;

use App\Errors\Refused;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\StatementTree;

/** Reads a file that is given as a framework. */
final readonly class ReadFramework
{
    public const LARGEST = 30_000_000; // what one request has the memory for: 20,000 statements are about 25 MB

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @return array{list<Framework>, list<\WideQuarry\Interchange\Notice>}
     *
     * @throws Refused|\WideQuarry\Interchange\UnreadableFile
     */
    public function handle(string $file, string $name): array
    {
        if ((int) filesize($file) > self::LARGEST) {
            throw Refused::because('framework.too_large', Message::of('app.actions.standards.too-large'), '/file');
        }
        $source = new Source($file, $name);
        $found = PackageContents::collect(Formats::standard($this->kinds)->for($source, Formats::FRAMEWORK)->read($source));
        if ($found->frameworks === []) {
            throw Refused::because(
                'framework.nothing',
                $found->notices[0]->message ?? Message::of('app.actions.standards.nothing-read', ['name' => $name]),
                '/file',
            );
        }

        $frameworks = array_map(fn (\stdClass $json): Framework => Framework::read($json), $found->frameworks);
        foreach ($frameworks as $framework) {
            // each statement is stored with all that are above it
            if (StatementTree::depth($framework->statements) > StatementTree::DEPTH) {
                throw Refused::because('tree.too_deep', Message::of('app.actions.too-deep-most-levels', [
                    'depth' => StatementTree::DEPTH,
                ]), '/file');
            }
        }

        return [$frameworks, $found->notices];
    }
}
