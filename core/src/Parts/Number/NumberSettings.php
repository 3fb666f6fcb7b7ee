<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberReader;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Feedback;

final readonly class NumberSettings
{
    /** @param  list<string>  $notations */
    private function __construct(public int $width, public string $placeholder, public array $notations, public string $unitPolicy)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['width', 'placeholder', 'notations', 'units']);
        $notations = [];
        foreach ($fields->list('notations', 10) as $i => $notation) {
            $notations[] =
                is_string($notation) && in_array($notation, NumberReader::NOTATIONS, true)
                    ? $notation
                    : throw Malformed::notOneOf("$path/notations/$i", NumberReader::NOTATIONS, $notation);
        }
        $units = $fields->object('units', [
            'policy',
            'unit',
            'other',
            'other_credit',
            'missing_credit',
            'wrong_credit',
            'missing_feedback',
            'wrong_feedback',
        ]);
        if ($fields->has('units')) {
            $units->need('policy');
        }
        $units->string('unit', '', 60);
        $units->oneOf('other', ['convert', 'refuse', 'credit'], 'convert');
        array_map(fn (string $name): string => $units->exact($name, '0'), ['other_credit', 'missing_credit', 'wrong_credit']);
        Feedback::readSet($units, ['missing_feedback', 'wrong_feedback']);

        return new self(
            $fields->int('width', 10, 1, 200),
            $fields->string('placeholder'),
            $fields->has('notations') ? $notations : NumberReader::NOTATIONS,
            $units->oneOf('policy', ['none', 'optional', 'required'], 'none'),
        );
    }
}
