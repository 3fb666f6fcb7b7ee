<?php

declare(strict_types=1);

use App\Support\QuestionIndex;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

return new class extends Migration
{
    public function up(): void
    {
        foreach (['questions', 'staged_questions'] as $table) {
            DB::unprepared(<<<SQL
                -- More that is derived for finding (App\Support\QuestionIndex): what a question has, how it is marked, and more of its record.
                ALTER TABLE $table
                    ADD COLUMN language text NOT NULL DEFAULT 'und', ADD COLUMN has text[] NOT NULL DEFAULT '{}', ADD COLUMN marking text NOT NULL DEFAULT '',
                    ADD COLUMN minutes numeric(10, 4), ADD COLUMN source text NOT NULL DEFAULT '', ADD COLUMN work text NOT NULL DEFAULT '';
                SQL);
        }
        DB::unprepared('CREATE INDEX questions_bank_created ON questions (bank_id, created_at DESC, id)');
        $kinds = Parts::standard();
        DB::table('questions')->join('revisions', fn ($join) => $join->on('question_id', 'questions.id')->on('number', 'questions.revision'))->select(['questions.id', 'content', 'record'])->orderBy('questions.id')->chunk(500, function ($rows) use ($kinds): void {
            foreach ($rows as $row) {
                $json = Json::decode(is_string($row->content) ? $row->content : '{}');
                assert($json instanceof \stdClass);
                $json->record = Json::decode(is_string($row->record) ? $row->record : '{}');
                DB::table('questions')->where('id', $row->id)->update(array_intersect_key(QuestionIndex::plain(Question::read($json, $kinds)), array_flip(['language', 'has', 'marking', 'minutes', 'source', 'work'])));
            }
        });
    }
};
