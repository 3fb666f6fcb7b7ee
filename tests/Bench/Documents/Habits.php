<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

/** Habits of typing, one to a document. Half of them are for developing with, half are only measured by their figures. */
final class Habits
{
    private const GERMAN = [
        'Answer' => 'Antwort',
        'Explanation' => 'Erklärung',
        'True' => 'Richtig',
        'False' => 'Falsch',
        'Answer key' => 'Lösungen',
        'Part' => 'Teil',
        'Model answer' => 'Musterlösung',
    ];

    private const FRENCH = [
        'Answer' => 'Réponse ',
        'Explanation' => 'Explication ',
        'True' => 'Vrai',
        'False' => 'Faux',
        'Answer key' => 'Corrigé',
        'Part' => 'Partie',
        'Model answer' => 'Réponse modèle ',
    ];

    private const SPANISH = [
        'Answer' => 'Respuesta',
        'Explanation' => 'Explicación',
        'True' => 'Verdadero',
        'False' => 'Falso',
        'Answer key' => 'Respuestas',
        'Part' => 'Parte',
        'Model answer' => 'Respuesta modelo',
    ];

    private const ITALIAN = [
        'Answer' => 'Risposta',
        'Explanation' => 'Spiegazione',
        'True' => 'Vero',
        'False' => 'Falso',
        'Answer key' => 'Soluzioni',
        'Part' => 'Parte',
    ];

    private const DUTCH = [
        'Answer' => 'Antwoord',
        'Explanation' => 'Uitleg',
        'True' => 'Waar',
        'False' => 'Onwaar',
        'Answer key' => 'Antwoorden',
        'Part' => 'Deel',
    ];

    private const POLISH = [
        'Answer' => 'Odpowiedź',
        'Explanation' => 'Wyjaśnienie',
        'True' => 'Prawda',
        'False' => 'Fałsz',
        'Answer key' => 'Klucz odpowiedzi',
        'Part' => 'Część',
    ];

    /** @return list<Habit> */
    public static function all(): array
    {
        $mixed = ['choice', 'truth', 'text', 'number', 'gap'];

        return [
            new Habit('letters and an answer line', 'txt', kinds: $mixed),
            new Habit('a key at the end', 'txt', number: '1)', option: '(a)', key: 'section', kinds: $mixed),
            new Habit('a key in one line', 'txt', number: 'Q1.', option: 'a)', key: 'run', kinds: ['choice', 'truth']),
            new Habit('options in one line', 'txt', layout: 'one line', key: 'section', points: '(2 marks)'),
            new Habit('no empty lines', 'txt', isApart: false, kinds: ['choice', 'text'], explains: true),
            new Habit('a sign behind the right one', 'txt', key: ' *'),
            new Habit('a sign before the right one', 'txt', key: '→ ', option: 'A)'),
            new Habit('the answer before the number', 'txt', key: 'blank', kinds: ['choice', 'truth']),
            new Habit('bold', 'docx', key: 'bold', kinds: ['choice', 'truth']),
            new Habit('bold, numbers by the word processor', 'docx', number: 'auto', option: 'auto', key: 'bold', isMessy: true),
            new Habit('highlighted', 'docx', number: '1)', option: 'a)', key: 'highlight', kinds: ['choice', 'truth']),
            new Habit('coloured, no empty lines', 'docx', key: 'colour', isApart: false, isMessy: true),
            new Habit('underlined', 'docx', option: '(a)', key: 'underline', points: '[2]'),
            new Habit('wrong ones struck out', 'docx', key: 'strike'),
            new Habit('boxes', 'docx', option: '☐', key: 'box', kinds: ['choice', 'truth', 'several']),
            new Habit('a table of options', 'docx', layout: 'table', key: 'section'),
            new Habit('a key as a table', 'docx', key: 'table', kinds: ['choice', 'truth']),
            new Habit('keys by part', 'docx', key: 'parts', isHeaded: true),
            new Habit('matching, ordering, lists in brackets', 'docx', kinds: ['match', 'order', 'menu'], count: 11),
            new Habit('essays and parts', 'docx', kinds: ['essay', 'parts', 'number'], count: 18),
            new Habit('bold in Markdown', 'md', key: 'bold'),
            new Habit('bullets in Markdown', 'md', option: '•', key: 'bold', isHeaded: true),
            new Habit('a list of tasks', 'md', option: '☐', key: 'box'),
            new Habit('an answer line in Markdown', 'md', kinds: [...$mixed, 'match', 'order'], points: '(2 points)', count: 20),
            new Habit('colours of a page', 'html', key: 'colour'),
            new Habit('highlighted on a page', 'html', key: 'highlight', option: 'a)', kinds: ['choice', 'truth']),
            new Habit('a page with all kinds', 'html', kinds: [...$mixed, 'match', 'order', 'menu', 'essay'], count: 27),
            new Habit('bold in ODT', 'odt', key: 'bold', kinds: ['choice', 'truth']),
            new Habit('coloured, numbers by the word processor, ODT', 'odt', number: 'auto', option: 'auto', key: 'colour'),
            new Habit('highlighted in ODT', 'odt', key: 'highlight', option: 'a)'),
            new Habit('a key in ODT', 'odt', key: 'section', kinds: $mixed, points: '(1 mark)'),
            new Habit('bold in RTF', 'rtf', key: 'bold'),
            new Habit('coloured in RTF', 'rtf', key: 'colour', option: 'a)'),
            new Habit('German', 'docx', kinds: $mixed, words: self::GERMAN, explains: true),
            new Habit('German, a key', 'txt', key: 'section', words: self::GERMAN, kinds: ['choice', 'truth']),
            new Habit('French', 'docx', kinds: $mixed, words: self::FRENCH, explains: true),
            new Habit('Spanish', 'odt', kinds: $mixed, words: self::SPANISH),
            new Habit('Italian', 'txt', key: 'section', kinds: ['choice', 'truth'], words: self::ITALIAN),
            new Habit('Dutch', 'md', kinds: ['choice', 'truth', 'text'], words: self::DUTCH),
            new Habit('Polish', 'html', key: 'section', kinds: ['choice', 'truth'], words: self::POLISH),
            new Habit('roman options', 'txt', option: '(i)', key: 'line'),
            new Habit('numbered options', 'txt', option: '1)', key: 'line'),
            new Habit('the word before the number', 'docx', number: 'Question 1:', option: 'A)', key: 'bold', isMessy: true),
        ];
    }
}
