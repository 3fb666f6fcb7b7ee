<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Question\QuestionMedia;

/** A question as JSON whose media stand in every place there is for them. */
function contentWithMedia(): stdClass
{
    $json = Json::decode(
        <<<'JSON'
        {"body": "<p><img data-media=\"map &amp; key\" alt=\"\"></p><video data-media=\"tide\" data-captions=\"words\"></video>",
         "hints": [{"html": "<img data-media=\"hint\" alt=\"\">"}],
         "parts": [{"kind": "spot", "settings": {"picture": {"media": "outcrop", "alt": "", "width": 10, "height": 10}, "prompts": ["<img data-media=\"tide\" alt=\"\">"]},
                    "key": {"rules": [{"id": "r1", "on": "a", "feedback": {"html": "<img data-media=\"fold\" alt=\"\">"}}]}}]}
        JSON,
    );
    assert($json instanceof stdClass);

    return $json;
}

it('finds media in rich text, captions and settings, each once', function (): void {
    expect(QuestionMedia::in(contentWithMedia()))
        ->toBe(['map & key', 'tide', 'words', 'hint', 'outcrop', 'fold'])
        ->and(QuestionMedia::in((object) ['body' => '<p>The word data-media alone names nothing.</p>']))
        ->toBe([]);
});

it('renames media wherever it finds them, and nothing else', function (): void {
    $names = ['map & key' => 'm1', 'tide' => 'm2', 'words' => 'm3', 'hint' => 'hint', 'outcrop' => 'm4', 'fold' => 'm5'];
    $renamed = QuestionMedia::renamed(contentWithMedia(), $names);

    expect(QuestionMedia::in($renamed))
        ->toBe(['m1', 'm2', 'm3', 'hint', 'm4', 'm5'])
        ->and(
            strtr(Json::encode($renamed), ['m1' => 'map &amp; key', 'm2' => 'tide', 'm3' => 'words', 'm4' => 'outcrop', 'm5' => 'fold']),
        )
        ->toBe(Json::encode(contentWithMedia()));
});

it('gives replacements that hold for JSON as PostgreSQL writes it', function (): void {
    $jsonb = '{"media": "outcrop", "alt": "outcrop"}';

    expect(strtr($jsonb, QuestionMedia::references(['outcrop' => 'm4'])))->toBe('{"media": "m4", "alt": "outcrop"}');
});
