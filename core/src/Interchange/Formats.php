<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Interchange\Cartridge\CartridgeFormat;
use WideQuarry\Interchange\Case\CaseFormat;
use WideQuarry\Interchange\Pack\PackFormat;
use WideQuarry\Interchange\Qti12\Qti12Format;
use WideQuarry\Interchange\Qti2\Qti2Format;
use WideQuarry\Interchange\Qti30\Qti30Format;
use WideQuarry\Interchange\QuestionTable\QuestionTableFormat;
use WideQuarry\Interchange\QuestionTable\Written\TableFile;
use WideQuarry\Interchange\StatementTable\StatementTableFormat;
use WideQuarry\Interchange\Typed\TypedFormat;
use WideQuarry\Interchange\Typed\Written\DocumentFormat;
use WideQuarry\Question\PartKinds;

/** The formats there are. A new one is one folder and one line here. */
final readonly class Formats
{
    public const FRAMEWORK = 'framework';

    public const QUESTIONS = 'questions';

    /** Families that hold frameworks of standards, and no questions. */
    private const FRAMEWORKS = ['case', 'statements'];

    /** @param  list<Format>  $formats */
    private function __construct(private array $formats)
    {
    }

    public static function standard(PartKinds $kinds, DocumentConverter $converter = new NoConverter): self
    {
        return new self([
            new PackFormat($kinds),
            new CartridgeFormat($kinds), // its questions are QTI 1.2.1 with rules of their own
            new Qti12Format($kinds),
            Qti2Format::v22($kinds),
            Qti2Format::v21($kinds),
            new Qti30Format($kinds),
            new CaseFormat,
            new StatementTableFormat,
            new QuestionTableFormat($converter),
            new TypedFormat($converter), // last: any text is readable as one
            ...DocumentFormat::all($kinds, $converter),
            ...TableFile::all($kinds, $converter),
        ]);
    }

    /**
     * @param  ''|'framework'|'questions'  $as  what the file is said to be, where it could be both
     *
     * @throws UnreadableFile
     */
    public function for(Source $source, string $as = ''): Format
    {
        $table = new StatementTableFormat;
        if ($as === self::FRAMEWORK && $table->canRead($source)) {
            return $table;
        }
        if ($as === '' && $table->isAmbiguous($source)) {
            throw UnreadableFile::ambiguous($source->name);
        }
        $families = [];
        foreach ($this->formats as $format) {
            if ($as !== '' && ($as === self::FRAMEWORK) !== in_array($format->family(), self::FRAMEWORKS, true)) {
                continue;
            }
            if (! isset($families[$format->family()]) && $format->recognises($source)) {
                if (! $source->isZip()) {
                    return $format;
                }
                $families[$format->family()] = $format;
            }
        }
        if ($families !== []) {
            return count($families) === 1 || isset($families['pack']) ? reset($families) : new MixedFormat(array_values($families));
        }
        throw UnreadableFile::unknownFormat($source->name);
    }

    /** A format to be written in. */
    public function named(string $name): ?WritableFormat
    {
        foreach ($this->formats as $format) {
            if ($format instanceof WritableFormat && $format->name() === $name) {
                return $format;
            }
        }

        return null;
    }

    /** @return list<string> of those that are written */
    public function names(): array
    {
        return array_map(fn (Format $format): string => $format->name(), $this->writable());
    }

    /** @return list<string> of those questions are written in */
    public function namesForQuestions(): array
    {
        return array_values(
            array_map(
                fn (Format $format): string => $format->name(),
                array_filter($this->writable(), fn (Format $format): bool => ! in_array($format->family(), self::FRAMEWORKS, true)),
            ),
        );
    }

    /** Whether a file is a framework of standards, and nothing that questions could be read from. */
    public function isFramework(Source $source): bool
    {
        foreach ($this->formats as $format) {
            if (in_array($format->family(), self::FRAMEWORKS, true) && $format->recognises($source)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Format&WritableFormat> */
    private function writable(): array
    {
        return array_values(array_filter($this->formats, fn (Format $format): bool => $format instanceof WritableFormat));
    }
}
