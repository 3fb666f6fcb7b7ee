<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Content\Gaps;
use WideQuarry\Content\RichText;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Plain\ContentExporter;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Typed\Recognition\Vocabulary;
use WideQuarry\Marking\Rubric;
use WideQuarry\Marking\RubricScheme;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\SharedRules;

/** A question as people type one, so that it can be read back: a number, its text, lettered options, a line for the answer. */
final class WrittenQuestion
{
    private const STEPS = [1 => 'very easy', 2 => 'easy', 3 => 'medium', 4 => 'hard', 5 => 'very hard'];

    private const LINES = 40;

    /** @var list<string> paragraphs and tables */
    private array $html = [];

    /** @var array<string, string> code → sentence */
    private array $losses = [];

    /** @var array<string, PlainPart> */
    private array $plain = [];

    /** @var array<string, Part> with the key that holds for each */
    private array $parts = [];

    private readonly ContentExporter $outward;

    /** @param  array<string, string>  $files  medium → its file */
    private function __construct(private readonly Question $question, private readonly \stdClass $json, array $files)
    {
        $this->outward = ContentExporter::of($question, $files);
    }

    /**
     * @param  array<string, string>  $files  medium → its file
     * @return array{list<string>, list<Notice>} HTML of its paragraphs, and what a document cannot say of it
     */
    public static function of(Question $question, \stdClass $json, int $number, array $files): array
    {
        $written = new self($question, $json, $files);
        $written->all($number);
        $id = is_string($json->id ?? null) ? $json->id : null;

        return [
            $written->html,
            array_map(
                fn (string $code, string $sentence): Notice => Notice::loss($code, $sentence, null, null, $id),
                array_keys($written->losses),
                array_values($written->losses),
            ),
        ];
    }

    private function all(int $number): void
    {
        foreach ($this->question->parts as $part) {
            $part = $part->withKey(SharedRules::keyFor($this->question, $part));
            $in = new WriteContext(
                $this->question->language,
                $this->question->normalise,
                $this->outward->roll,
                new Gaps($this->question->body),
                [],
            );
            $plain = Mappings::of($part->kind)?->plain($part, $in);
            if ($plain === null) {
                $this->lose('kind', 'part-kind');
                $plain = PlainPart::words(40);
            }
            foreach ($plain->losses as [$code, $sentence]) {
                $this->losses["document.$code"] = $sentence;
            }
            $this->plain[$part->id] = $plain;
            $this->parts[$part->id] = $part;
        }
        $blocks = Blocks::of($this->outward->nodes(RichText::read($this->question->body)->nodes), $this->plain);
        $alone = array_values(array_filter($blocks->blocks, fn (array $block): bool => $block['part'] !== null));
        $isLettered = count($alone) > 1 || ($alone !== [] && $blocks->inline !== []);
        $this->text($number, $blocks, $isLettered);
        if ($blocks->inline !== [] && ! $isLettered) {
            $this->inlineAnswers($blocks);
        }
        $this->around();
        $this->tellLosses();
    }

    private function text(int $number, Blocks $blocks, bool $isLettered): void
    {
        $id = is_string($this->json->id ?? null) ? str_replace('-', '', $this->json->id) : '';
        $lead = ($id === '' ? '' : "<span id=\"wq$id\"></span>")."$number. ";
        $points = $isLettered ? '' : self::points((string) $this->question->points());
        $letter = 0;
        $waiting = [];
        foreach ([...$blocks->blocks, null] as $block) {
            if ($block !== null && $block['part'] === null) {
                $waiting[] = $block['html'];

                continue;
            }
            if ($isLettered && $block !== null) {
                $own = array_pop($waiting) ?? '<p></p>';
                $label = '('.chr(97 + min(25, $letter++)).')';
                $worth = self::points((string) $this->question->part($block['part'])?->points());
                $isLabelled = str_starts_with(trim(strip_tags($own)), $label);
                $waiting[] = self::within($own, $isLabelled ? '' : "$label ", $worth === '' ? '' : " $worth");
            }
            foreach ($waiting as $html) {
                $this->html[] = self::within($html, $lead, $lead === '' ? '' : ($points === '' ? '' : " $points"));
                $lead = '';
            }
            $waiting = [];
            if ($block !== null) {
                if ($lead !== '') {
                    $this->html[] = "<p>$lead$points</p>";
                    $lead = '';
                }
                $this->part($block['part'], $block['unit'], isOnly: ! $isLettered);
            }
        }
    }

    /** Puts words at the beginning and the end of a paragraph; a table or list gets one of its own before it. */
    private static function within(string $html, string $before, string $after): string
    {
        if ($before === '' && $after === '') {
            return $html;
        }
        if (preg_match('~^<p>(.*)</p>$~s', $html, $m) === 1) {
            return "<p>$before$m[1]$after</p>";
        }

        return trim($before.$after) === '' ? $html : "<p>$before$after</p>$html";
    }

    /** One point goes without saying. */
    private static function points(string $exact, bool $isAlways = false): string
    {
        if (($exact === '1' && ! $isAlways) || $exact === '' || $exact === '0') {
            return '';
        }
        [$over, $under] = [...explode('/', $exact), '1'];
        $points = (float) $over / (float) $under;

        return '('.rtrim(rtrim(sprintf('%.4f', $points), '0'), '.').' marks)';
    }

    private function part(string $id, string $unit, bool $isOnly): void
    {
        $plain = $this->plain[$id] ?? null;
        if ($plain === null) {
            return;
        }
        if ($plain->text !== '') {
            $this->html[] = '<p>'.self::line($this->outward->html($plain->text)).'</p>';
        }
        $letters = [];
        $pair = self::pair($plain);
        if ($pair) {
            $words = array_map(fn (array $option): string => self::line($option['html']), $plain->options);
            $letters = array_combine(
                array_column($plain->options, 'id'),
                array_map(fn (string $word): string => html_entity_decode(strip_tags($word)), $words),
            );
            $this->html[] = '<p>'.implode(' / ', $words).'</p>';
        } elseif ($plain->shape === AnswerShape::Picks || $plain->shape === AnswerShape::Sequence) {
            $letters = $this->options($plain);
        } elseif ($plain->shape === AnswerShape::Pairs) {
            $letters = $this->sides($plain);
        }
        if ($plain->byHand || $this->isByHand($id)) {
            $this->byHand($id, $plain->field->lines > 1 ? $plain->field->lines : 0);

            return;
        }
        $this->answer($plain, $id, $letters, $unit);
    }

    /** @param  array<string, string>  $letters */
    private function answer(PlainPart $plain, string $id, array $letters, string $unit): void
    {
        [$answers, $isLossy] = TypedKey::of($plain, $this->raw($id), $this->parts[$id], $this->outward->roll, $letters, $unit);
        if ($answers !== []) {
            $this->html[] = '<p>Answer: '.htmlspecialchars(implode('; ', $answers), ENT_NOQUOTES).'</p>';
        }
        if ($isLossy) {
            $this->lose('key', 'key-not-whole');
        }
    }

    private static function pair(PlainPart $plain): bool
    {
        $words = array_map(fn (array $option): string => trim(html_entity_decode(strip_tags($option['html']))), $plain->options);

        return $plain->shape === AnswerShape::Picks &&
            count($words) === 2 &&
            Vocabulary::pairOf($words[0]) === $words &&
            mb_strlen($words[0]) > 1;
    }

    /** @return array<string, string> */
    private function options(PlainPart $plain): array
    {
        $options = $plain->options;
        if ($plain->shape === AnswerShape::Sequence) {
            usort($options, fn (array $a, array $b): int => strcmp(strip_tags($a['html']), strip_tags($b['html']))); // the order is the key
        }
        $letters = [];
        foreach ($options as $i => $option) {
            $letters[$option['id']] = chr(65 + min(25, $i));
            $this->html[] = '<p>'.$letters[$option['id']].'. '.self::line($this->outward->html($option['html'])).'</p>';
        }

        return $letters;
    }

    /** @return array<string, string> */
    private function sides(PlainPart $plain): array
    {
        $letters = [];
        $rows = '';
        for ($i = 0; $i < max(count($plain->options), count($plain->seconds)); $i++) {
            $cells = [];
            foreach ([[$plain->options, (string) ($i + 1)], [$plain->seconds, chr(65 + min(25, $i))]] as [$side, $label]) {
                if (isset($side[$i])) {
                    $letters[$side[$i]['id']] = $label;
                    $cells[] = "$label. ".self::line($this->outward->html($side[$i]['html']));
                } else {
                    $cells[] = '';
                }
            }
            $rows .= '<tr><td>'.implode('</td><td>', $cells).'</td></tr>';
        }
        $this->html[] = "<table><tbody>$rows</tbody></table>";

        return $letters;
    }

    private function isByHand(string $id): bool
    {
        return $this->parts[$id]->scheme === Scheme::Person;
    }

    private function byHand(string $id, int $lines): void
    {
        for ($i = 0; $i < min(self::LINES, $lines); $i++) {
            $this->html[] = '<p>'.str_repeat('_', 60).'</p>';
        }
        $key = $this->parts[$id]->key;
        foreach ($key->models as $i => $model) {
            foreach (self::paragraphs($this->outward->html($model->html)) as $at => $paragraph) {
                $this->html[] = $at === 0 && $i === 0 ? "<p>Model answer: $paragraph</p>" : "<p>$paragraph</p>";
            }
        }
        if ($key->rubric !== null) {
            $this->scheme($key->rubric);
        }
    }

    private function scheme(Rubric $rubric): void
    {
        $this->html[] = '<p>Mark scheme:</p>';
        foreach ($rubric->criteria as $criterion) {
            $worth = ' '.self::points((string) $criterion->highest(), isAlways: true);
            $this->html[] = '<p>• '.htmlspecialchars($criterion->title, ENT_NOQUOTES)."$worth</p>";
        }
        if ($rubric->scheme !== RubricScheme::Checklist) {
            $this->lose('rubric', 'rubric-as-list');
        }
    }

    private function inlineAnswers(Blocks $blocks): void
    {
        $answers = [];
        $isMissing = false;
        foreach (array_values(array_unique($blocks->inline)) as $id) {
            $plain = $this->plain[$id];
            $words = array_map(fn (array $option): string => trim(html_entity_decode(strip_tags($option['html']))), $plain->options);
            $letters = $plain->shape === AnswerShape::Picks ? array_combine(array_column($plain->options, 'id'), $words) : [];
            [$found, $isLossy] = $this->isByHand($id) ? [[], false] : TypedKey::of(
                $plain,
                $this->raw($id),
                $this->parts[$id],
                $this->outward->roll,
                $letters,
                '',
            );
            if ($isLossy) {
                $this->lose('key', 'key-not-whole');
            }
            $isMissing = $isMissing || $found === [];
            array_push($answers, ...$found);
        }
        if (! $isMissing && $answers !== []) {
            $this->html[] = '<p>Answer: '.htmlspecialchars(implode('; ', $answers), ENT_NOQUOTES).'</p>';
        }
    }

    private function around(): void
    {
        $general = self::at($this->json, 'feedback', 'general', 'html');
        foreach (is_string($general) ? self::paragraphs($this->outward->html($general)) : [] as $i => $paragraph) {
            $this->html[] = '<p>'.($i === 0 ? 'Explanation: ' : '')."$paragraph</p>";
        }
        foreach (is_array($this->json->hints ?? null) ? $this->json->hints : [] as $hint) {
            $html = self::at($hint, 'html');
            $this->html[] = '<p>Hint: '.self::line(is_string($html) ? $this->outward->html($html) : '').'</p>';
        }
        $record = ($this->json->record ?? null) instanceof \stdClass ? $this->json->record : new \stdClass;
        $step = is_int($record->difficulty ?? null) ? self::STEPS[$record->difficulty] ?? '' : '';
        $codes = array_map(
            fn (mixed $one): mixed => self::at($one, 'code'),
            is_array($record->standards ?? null) ? $record->standards : [],
        );
        foreach (is_array($record->topics ?? null) ? $record->topics : [] as $path) {
            $this->said('Topic', implode(' > ', is_array($path) ? array_filter($path, is_string(...)) : []));
        }
        $this->said('Difficulty', $step);
        $this->said('Standard', implode(', ', array_filter($codes, is_string(...))));
    }

    /** Something deep in JSON, null where it is not there. */
    private static function at(mixed $json, string ...$path): mixed
    {
        foreach ($path as $name) {
            $json = $json instanceof \stdClass ? $json->{$name} ?? null : null;
        }

        return $json;
    }

    private function said(string $word, string $text): void
    {
        if ($text !== '') {
            $this->html[] = "<p>$word: ".htmlspecialchars($text, ENT_NOQUOTES).'</p>';
        }
    }

    private function tellLosses(): void
    {
        $feedback = ($this->json->feedback ?? null) instanceof \stdClass ? get_object_vars($this->json->feedback) : [];
        if (array_diff_key($feedback, ['general' => true]) !== [] || str_contains((string) json_encode($this->json->parts), '"feedback"')) {
            $this->lose('feedback', 'feedback-by-outcome');
        }
        if ($this->question->variables->names() !== []) {
            $this->lose('values', 'values-fixed');
        }
        if (str_contains($this->question->body, '<audio') || str_contains($this->question->body, '<video')) {
            $this->lose('recordings', 'recordings-left-out');
        }
    }

    private function lose(string $code, string $key): void
    {
        $this->losses["document.$code"] = Message::of("interchange.typed.$key");
    }

    private function raw(string $id): \stdClass
    {
        foreach (is_array($this->json->parts ?? null) ? $this->json->parts : [] as $part) {
            if ($part instanceof \stdClass && ($part->id ?? '') === $id) {
                return $part;
            }
        }

        return new \stdClass;
    }

    /** @return list<string> the insides of paragraphs */
    private static function paragraphs(string $html): array
    {
        preg_match_all('~<p>(.*?)</p>~s', $html, $found);

        return $found[1] === [] ? ($html === '' ? [] : [$html]) : $found[1];
    }

    /** Rich text of an option in one line. */
    private static function line(string $html): string
    {
        return implode(' ', self::paragraphs($html));
    }
}
