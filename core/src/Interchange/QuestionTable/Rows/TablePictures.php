<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** Pictures that rows name by their file: in the package that the table came in, or in one given beside it. */
final class TablePictures
{
    /** @var array<string, Medium|null> */
    private array $found = [];

    /** @var array<string, true> */
    private array $given = [];

    /** @param  list<SafeZip>  $packages */
    public function __construct(private readonly array $packages)
    {
    }

    /**
     * @param  list<Medium>  $new  those that were not given before
     * @return string HTML of the pictures of a row
     */
    public function of(Entry $entry, CellProblems $problems, array &$new): string
    {
        $html = '';
        $texts = $entry->filled(Meaning::PictureText);
        foreach ($entry->filled(Meaning::Picture) as $i => $cell) {
            foreach (CellList::of($cell->text) as $at => $name) {
                if (preg_match('~^(?:https?:|ftp:|data:|//)~i', $name) === 1) {
                    $problems->wrong('picture-address', $cell->address, ['picture' => $name]);

                    continue;
                }
                $medium = $this->named($name);
                if ($medium === null) {
                    $problems->wrong($this->packages === [] ? 'picture-without-package' : 'picture-missing', $cell->address, [
                        'picture' => $name,
                    ]);

                    continue;
                }
                if (! isset($this->given[$medium->id])) {
                    $this->given[$medium->id] = true;
                    $new[] = $medium;
                }
                $alt = htmlspecialchars($at === 0 ? trim($texts[$i]->text ?? '') : '', ENT_QUOTES);
                $html .= "<p><img data-media=\"$medium->id\" alt=\"$alt\"></p>";
            }
        }

        return $html;
    }

    private function named(string $name): ?Medium
    {
        $key = mb_strtolower(basename(str_replace('\\', '/', $name)));
        if (array_key_exists($key, $this->found)) {
            return $this->found[$key];
        }
        foreach ($this->packages as $package) {
            foreach (array_keys($package->entries) as $entry) {
                if (mb_strtolower(basename((string) $entry)) === $key) {
                    $medium = Medium::packed($package, (string) $entry);

                    return $this->found[$key] = $medium instanceof Medium ? $medium : null;
                }
            }
        }

        return $this->found[$key] = null;
    }
}
