<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\Notice;
use WideQuarry\Messages\Message;

/** What is to be said of the cells of one question. */
final class CellProblems
{
    /** @var list<Notice> */
    public array $notices = [];

    public function __construct(private readonly string $file, private readonly string $sheet = '')
    {
    }

    /**
     * Something is wrong in a cell. The name is that of its sentence.
     *
     * @param  array<string, string|int>  $values
     */
    public function wrong(string $name, ?string $address, array $values = []): void
    {
        $this->notices[] = Notice::problem(self::code($name), $this->sentence($name, $values), $this->file, null, $this->path($address));
    }

    /** @param  array<string, string|int>  $values */
    public function note(string $name, ?string $address, array $values = []): void
    {
        $notice = Notice::note(self::code($name), $this->sentence($name, $values), $this->file);
        $this->notices[] = $notice->at((string) $this->path($address));
    }

    /** @param  array<string, string|int>  $values */
    public function loss(string $name, ?string $address, array $values = []): void
    {
        $notice = Notice::loss(self::code($name), $this->sentence($name, $values), $this->file);
        $this->notices[] = $notice->at((string) $this->path($address));
    }

    /** Whether something was said of that cell. */
    public function hasAt(?string $address): bool
    {
        return $address !== null &&
            array_filter(
                $this->notices,
                fn (Notice $one): bool => $one->path === $this->path($address) && $one->severity === 'problem',
            ) !== [];
    }

    private static function code(string $name): string
    {
        return 'table.'.str_replace('-', '_', $name);
    }

    /** A cell of a table with several sheets says which ("Rivers!C7"). */
    private function path(?string $address): ?string
    {
        return $address === null || $this->sheet === '' ? $address : "$this->sheet!$address";
    }

    /** @param  array<string, string|int>  $values */
    private function sentence(string $name, array $values): string
    {
        $short = array_map(fn (string|int $one): string|int => is_string($one) ? mb_strimwidth($one, 0, 120, '…') : $one, $values);

        return Message::of("interchange.questionTable.$name", $short);
    }
}
