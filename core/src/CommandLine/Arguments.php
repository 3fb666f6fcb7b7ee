<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

/** Words and --options of a command line. */
final readonly class Arguments
{
    /**
     * @param  list<string>  $words
     * @param  array<string, string>  $options
     */
    private function __construct(public array $words, public array $options)
    {
    }

    /** @param  list<string>  $given */
    public static function parse(array $given): self
    {
        $words = [];
        $options = [];
        foreach ($given as $one) {
            if (str_starts_with($one, '--')) {
                [$name, $value] = [...explode('=', substr($one, 2), 2), ''];
                $options[$name] = $value;
            } else {
                $words[] = $one;
            }
        }

        return new self($words, $options);
    }

    /**
     * @param  list<string>  $known
     * @return list<string> options that are not known
     */
    public function unknown(array $known): array
    {
        return array_values(array_diff(array_keys($this->options), $known));
    }
}
