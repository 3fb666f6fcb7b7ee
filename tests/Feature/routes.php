<?php

declare(strict_types=1);

use Illuminate\Support\Str;
use Tests\Feature\World;

/*
 * Every route of the API: the status each role gets (in the order of World::ROLES), and a request that works for those who may.
 * RightsTest walks the roles, ForeignIdsTest puts ids of a hidden bank into every body, FuzzTest starts from these requests.
 */
$fresh = fn (): array => ['question' => World::json((string) Str::uuid7())];

return [
    'POST api/v1/session' => [[422, 422, 422, 422, 422, 422, 422], fn (World $w): array => ['/session', []]],
    'POST api/v1/password-links' => [
        [204, 204, 204, 204, 204, 204, 204],
        fn (World $w): array => ['/password-links', ['email' => 'writer@fellmoor.example']],
    ],
    'PUT api/v1/password-links' => [
        [422, 422, 422, 422, 422, 422, 422],
        fn (World $w): array => ['/password-links', ['secret' => 'x', 'password' => 'four plain garden words']],
    ],
    'PUT api/v1/me/password' => [
        [401, 204, 204, 204, 204, 204, 204],
        fn (World $w): array => ['/me/password', ['current' => 'limestone-7', 'password' => 'four plain garden words']],
    ],
    'GET api/v1/me/sessions' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/me/sessions', null]],
    'DELETE api/v1/me/sessions' => [[401, 204, 204, 204, 204, 204, 204], fn (World $w): array => ['/me/sessions', null]],
    'POST api/v1/me/second-factor' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/me/second-factor', ['password' => 'limestone-7']],
    ],
    'PUT api/v1/me/second-factor' => [
        [401, 422, 422, 422, 422, 422, 422],
        fn (World $w): array => ['/me/second-factor', ['code' => '000000']],
    ],
    'DELETE api/v1/me/second-factor' => [
        [401, 204, 204, 204, 204, 204, 204],
        fn (World $w): array => ['/me/second-factor', ['password' => 'limestone-7']],
    ],
    'GET api/v1/me/tokens' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/me/tokens', null]],
    'POST api/v1/me/tokens' => [
        [401, 201, 201, 201, 201, 201, 201],
        fn (World $w): array => [
            '/me/tokens',
            ['name' => 'Timetable', 'abilities' => ['read'], 'days' => 30, 'password' => 'limestone-7'],
        ],
    ],
    'DELETE api/v1/me/tokens/{token}' => [[401, 404, 404, 204, 404, 404, 404], fn (World $w): array => ["/me/tokens/{$w->token()}", null]],
    'GET api/v1/me/notifications' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/me/notifications', null]],
    'PUT api/v1/me/notifications' => [[401, 204, 204, 204, 204, 204, 204], fn (World $w): array => ['/me/notifications', new stdClass()]],
    'PUT api/v1/me/details' => [
        [401, 204, 204, 204, 204, 204, 204],
        fn (World $w): array => ['/me/details', ['details' => ['key', 'place']]],
    ],
    'GET api/v1/work' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/work', null]],
    'POST api/v1/work/{kind}/{id}/retry' => [
        [401, 404, 404, 204, 204, 404, 204],
        fn (World $w): array => ["/work/dispatch/{$w->failedDispatch()}/retry", new stdClass()],
    ],
    'GET api/v1/admin/people' => [[401, 403, 403, 403, 403, 403, 200], fn (World $w): array => ['/admin/people', null]],
    'POST api/v1/admin/people' => [
        [401, 403, 403, 403, 403, 403, 201],
        fn (World $w): array => ['/admin/people', ['name' => 'Ada', 'email' => 'ada@fellmoor.example']],
    ],
    'PATCH api/v1/admin/people/{person}' => [
        [401, 403, 403, 403, 403, 403, 204],
        fn (World $w): array => ["/admin/people/{$w->people['reader']->id}", ['disabled' => true]],
    ],
    'POST api/v1/admin/people/{person}/hand-over' => [
        [401, 403, 403, 403, 403, 403, 200],
        fn (World $w): array => ["/admin/people/{$w->people['keeper']->id}/hand-over", ['to' => $w->people['writer']->id]],
    ],
    'GET api/v1/admin/teams' => [[401, 403, 403, 403, 403, 403, 200], fn (World $w): array => ['/admin/teams', null]],
    'POST api/v1/admin/teams' => [
        [401, 403, 403, 403, 403, 403, 201],
        fn (World $w): array => ['/admin/teams', ['name' => 'Physics', 'members' => [$w->people['reader']->id]]],
    ],
    'PATCH api/v1/admin/teams/{team}' => [
        [401, 403, 403, 403, 403, 403, 204],
        fn (World $w): array => ["/admin/teams/{$w->team}", ['members' => [$w->people['reader']->id]]],
    ],
    'DELETE api/v1/admin/teams/{team}' => [[401, 403, 403, 403, 403, 403, 204], fn (World $w): array => ["/admin/teams/{$w->team}", null]],
    'GET api/v1/admin/security-log' => [[401, 403, 403, 403, 403, 403, 200], fn (World $w): array => ['/admin/security-log', null]],
    'DELETE api/v1/session' => [[401, 204, 204, 204, 204, 204, 204], fn (World $w): array => ['/session', null]],
    'GET api/v1/me' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/me', null]],
    'GET api/v1/desk' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/desk', null]],
    'GET api/v1/banks' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/banks', null]],
    'GET api/v1/banks/{bank}' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks', null]],
    'GET api/v1/banks/{bank}/questions' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/questions', null]],
    'POST api/v1/banks/{bank}/questions' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/questions', $fresh()],
    ],
    'GET api/v1/questions' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/questions?words=slate', null]],
    'GET api/v1/count' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/count?words=slate', null]],
    'GET api/v1/facets' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/facets?of=bank', null]],
    'GET api/v1/questions/{question}' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ["/questions/$w->question", null]],
    'PUT api/v1/questions/{question}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/questions/$w->question", ['question' => World::json()], ['If-Match' => '"1"']],
    ],
    'POST api/v1/responses' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/responses', ['question' => World::json(), 'text' => 'A']],
    ],
    'POST api/v1/banks/{bank}/specimen-runs' => [
        [401, 404, 403, 202, 202, 403, 404],
        fn (World $w): array => ['/banks/rocks/specimen-runs', new stdClass()],
    ],
    'GET api/v1/banks/{bank}/specimen-runs' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/specimen-runs', null],
    ],
    'DELETE api/v1/specimen-runs/{run}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/specimen-runs/{$w->run()}", null],
    ],
    'GET api/v1/banks/{bank}/searches' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/searches', null]],
    'POST api/v1/banks/{bank}/searches' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/searches', ['name' => 'Drafts', 'filter' => 'status=draft', 'shared' => true]],
    ],
    'DELETE api/v1/searches/{search}' => [[401, 404, 403, 204, 204, 403, 404], fn (World $w): array => ["/searches/{$w->search()}", null]],
    'GET api/v1/starts' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/starts', null]],
    'POST api/v1/starts' => [
        [401, 201, 201, 201, 201, 201, 201],
        fn (World $w): array => ['/starts', ['name' => 'Mine', 'question' => World::json()]],
    ],
    'DELETE api/v1/starts/{start}' => [[401, 404, 404, 204, 404, 404, 404], fn (World $w): array => ["/starts/{$w->start()}", null]],
    'POST api/v1/merge' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/merge', ['mine' => World::json(), 'theirs' => World::json()]],
    ],
    'POST api/v1/replace' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/replace', ['question' => World::json(), 'find' => 'slate']],
    ],
    'GET api/v1/rubrics' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/rubrics', null]],
    'GET api/v1/banks/{bank}/rubrics' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/rubrics', null]],
    'POST api/v1/banks/{bank}/rubrics' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/rubrics', ['rubric' => World::rubric()]],
    ],
    'GET api/v1/rubrics/{rubric}' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ["/rubrics/{$w->keptRubric()}", null]],
    'PUT api/v1/rubrics/{rubric}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => [
            "/rubrics/{$w->keptRubric()}",
            ['rubric' => World::rubric(), 'follow' => true],
            ['If-Match' => '"1"'],
        ],
    ],
    'DELETE api/v1/rubrics/{rubric}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/rubrics/{$w->keptRubric()}", null],
    ],
    'GET api/v1/stimuli' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/stimuli?words=section', null]],
    'POST api/v1/banks/{bank}/stimuli' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/stimuli', ['stimulus' => World::stimulus((string) Str::uuid7())]],
    ],
    'GET api/v1/stimuli/{stimulus}' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ["/stimuli/{$w->shared()}", null]],
    'PUT api/v1/stimuli/{stimulus}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/stimuli/'.($id = $w->shared()), ['stimulus' => World::stimulus($id)], ['If-Match' => '"1"']],
    ],
    'PATCH api/v1/stimuli/{stimulus}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/stimuli/{$w->shared()}", ['folders' => [['F']]]],
    ],
    'GET api/v1/stimuli/{stimulus}/media/{medium}' => [
        [401, 404, 404, 404, 404, 404, 404],
        fn (World $w): array => ["/stimuli/{$w->shared()}/media/gone", null],
    ],
    'GET api/v1/stimuli/{stimulus}/revisions' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/stimuli/{$w->shared()}/revisions", null],
    ],
    'GET api/v1/stimuli/{stimulus}/revisions/{number}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/stimuli/{$w->shared()}/revisions/1", null],
    ],
    'GET api/v1/autosaves/{subject}' => [[401, 204, 204, 204, 204, 204, 204], fn (World $w): array => ['/autosaves/new:rocks', null]],
    'PUT api/v1/autosaves/{subject}' => [
        [401, 204, 204, 204, 204, 204, 204],
        fn (World $w): array => ['/autosaves/new:rocks', ['content' => ['a' => 1]]],
    ],
    'DELETE api/v1/autosaves/{subject}' => [[401, 204, 204, 204, 204, 204, 204], fn (World $w): array => ['/autosaves/new:rocks', null]],
    'GET api/v1/questions/{question}/media/{medium}' => [
        [401, 404, 404, 404, 404, 404, 404],
        fn (World $w): array => ["/questions/$w->question/media/gone", null],
    ],
    'GET api/v1/banks/{bank}/media/{medium}' => [
        [401, 404, 404, 404, 404, 404, 404],
        fn (World $w): array => ['/banks/rocks/media/gone', null],
    ],
    'POST api/v1/banks/{bank}/uploads' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/uploads', ['name' => 'a.mp4', 'bytes' => 9_000_000]],
    ],
    'GET api/v1/uploads/{upload}' => [[401, 404, 404, 200, 404, 404, 404], fn (World $w): array => ["/uploads/{$w->upload()}", null]],
    'PUT api/v1/uploads/{upload}' => [[401, 404, 404, 200, 404, 404, 404], fn (World $w): array => ["/uploads/{$w->upload()}?from=0", null]],
    'POST api/v1/uploads/{upload}/finish' => [
        [401, 404, 404, 409, 404, 404, 404],
        fn (World $w): array => ["/uploads/{$w->upload()}/finish", new stdClass()],
    ],
    'DELETE api/v1/uploads/{upload}' => [[401, 404, 404, 204, 404, 404, 404], fn (World $w): array => ["/uploads/{$w->upload()}", null]],
    'GET api/v1/statements' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/statements?words=hardness', null]],
    'GET api/v1/frameworks' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/frameworks', null]],
    'POST api/v1/frameworks' => [
        [401, 403, 403, 403, 200, 403, 200],
        fn (World $w): array => ['/frameworks', ['text' => 'A.1 Rocks', 'name' => 'Outline']],
    ],
    'GET api/v1/frameworks/{framework}' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ["/frameworks/{$w->framework()}", null],
    ],
    'PATCH api/v1/frameworks/{framework}' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => ["/frameworks/{$w->framework()}", ['title' => 'Earth', 'retired' => true]],
    ],
    'DELETE api/v1/frameworks/{framework}' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => ["/frameworks/{$w->framework()}", null],
    ],
    'GET api/v1/frameworks/{framework}/file' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ["/frameworks/{$w->framework()}/file", null],
    ],
    'POST api/v1/frameworks/{framework}/statements' => [
        [401, 403, 403, 403, 201, 403, 201],
        fn (World $w): array => [
            "/frameworks/{$w->framework()}/statements",
            ['code' => 'FEF.1.2', 'text' => 'Names rocks', 'parent' => World::STATEMENT],
        ],
    ],
    'PATCH api/v1/frameworks/{framework}/statements/{statement}' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => ["/frameworks/{$w->framework()}/statements/".World::STATEMENT, ['text' => 'Names minerals', 'parent' => null]],
    ],
    'DELETE api/v1/frameworks/{framework}/statements/{statement}' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => ["/frameworks/{$w->framework()}/statements/".World::STATEMENT, null],
    ],
    'POST api/v1/frameworks/{framework}/associations' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => [
            "/frameworks/{$w->framework()}/associations",
            ['from' => World::STATEMENT, 'to' => '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b01', 'kind' => 'broader'],
        ],
    ],
    'DELETE api/v1/frameworks/{framework}/associations' => [
        [401, 403, 403, 403, 204, 403, 204],
        fn (World $w): array => [
            "/frameworks/{$w->framework()}/associations",
            ['from' => World::STATEMENT, 'to' => '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b01', 'kind' => 'broader'],
        ],
    ],
    'GET api/v1/coverage' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ["/coverage?tree={$w->framework()}", null]],
    'GET api/v1/coverage/node' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ["/coverage/node?tree={$w->framework()}&node=".World::STATEMENT, null],
    ],
    'GET api/v1/coverage/table' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/coverage/table?topics=rocks', null]],
    'POST api/v1/banks/{bank}/tagging' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/tagging', ['framework' => $w->framework(), 'filter' => '', 'past' => [], 'take' => 2]],
    ],
    'GET api/v1/questions/{question}/proposals' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/proposals?framework={$w->framework()}", null],
    ],
    'GET api/v1/banks/{bank}/media' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/media', null]],
    'POST api/v1/banks/{bank}/media' => [[401, 404, 403, 422, 422, 403, 404], fn (World $w): array => ['/banks/rocks/media', new stdClass()]],
    'PATCH api/v1/banks/{bank}/media/{medium}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/media/m1', ['name' => 'Beds', 'alt' => 'Three beds']],
    ],
    'GET api/v1/banks/{bank}/media/{medium}/about' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/media/m1/about', null],
    ],
    'POST api/v1/banks/{bank}/media/{medium}/stimuli' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/media/m1/stimuli', ['to' => 'm1']],
    ],
    'POST api/v1/banks/{bank}/media/{medium}/captions' => [
        [401, 404, 403, 422, 422, 403, 404],
        fn (World $w): array => ['/banks/rocks/media/m1/captions', ['transcript' => 'no time']],
    ],
    'GET api/v1/banks/{bank}/media/{medium}/uses' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/media/m1/uses', null],
    ],
    'POST api/v1/lines' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/lines', ['text' => "A) x\nB) y"]]],
    'POST api/v1/record' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/record', ['record' => new stdClass(), 'change' => ['record' => ['tags' => ['add' => ['x']]]]]],
    ],
    'POST api/v1/convert' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/convert', ['question' => World::json(), 'part' => 'p1']],
    ],
    'POST api/v1/convert/join' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/convert/join', ['questions' => [$w->trueFalse(true), $w->trueFalse(false)]]],
    ],
    'POST api/v1/pieces' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/pieces', ['text' => '<p>a b</p>']]],
    'POST api/v1/faults' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/faults', ['faulty' => 'a', 'right' => 'b']]],
    'POST api/v1/cells' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/cells', ['text' => "a\tb"]]],
    'POST api/v1/answer-table' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/answer-table', ['rows' => [['a', 'b']], 'answers' => [[0, 1]]]],
    ],
    'POST api/v1/banks/{bank}/split' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/split', ['question' => World::statements()]],
    ],
    'POST api/v1/graphs' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/graphs', ['settings' => (object) []]]],
    'POST api/v1/understood' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/understood', ['text' => '5 km']]],
    'POST api/v1/study' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/study', ['question' => World::json()]]],
    'POST api/v1/values' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/values', ['variables' => null]]],
    'POST api/v1/values/rename' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/values/rename', ['question' => World::json(), 'from' => 'a', 'to' => 'b']],
    ],
    'POST api/v1/values/vary' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/values/vary', ['question' => World::json(), 'number' => '3']],
    ],
    'POST api/v1/present' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/present', ['question' => World::json()]]],
    'POST api/v1/rubric-cells' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/rubric-cells', ['text' => "\tHigh 2\tLow 0\nProcess\tboth\tneither"]],
    ],
    'POST api/v1/rubric-check' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/rubric-check', ['rubric' => ['criteria' => []], 'points' => 6]],
    ],
    'POST api/v1/agreement' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/agreement', ['question' => World::json()]]],
    'POST api/v1/score' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/score', ['question' => World::json(), 'response' => new stdClass()]],
    ],
    'POST api/v1/banks' => [[401, 201, 201, 201, 201, 201, 201], fn (World $w): array => ['/banks', ['name' => 'New']]],
    'PATCH api/v1/banks/{bank}' => [[401, 404, 403, 403, 200, 403, 404], fn (World $w): array => ['/banks/rocks', ['purpose' => 'x']]],
    'GET api/v1/people' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/people', null]],
    'GET api/v1/banks/{bank}/grants' => [[401, 404, 403, 403, 200, 403, 404], fn (World $w): array => ['/banks/rocks/grants', null]],
    'PUT api/v1/banks/{bank}/grants' => [
        [401, 404, 403, 403, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/grants', ['grants' => [['person' => $w->people['keeper']->id, 'role' => 'keeper']]]],
    ],
    'GET api/v1/banks/{bank}/trees' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/trees', null]],
    'GET api/v1/banks/{bank}/count' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/count?words=slate', null],
    ],
    'GET api/v1/banks/{bank}/facets' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/facets?of=kind&of=topic', null],
    ],
    'POST api/v1/banks/{bank}/acts' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/acts', ['ids' => [$w->question], 'record' => ['tags' => ['add' => ['x']]]]],
    ],
    'GET api/v1/banks/{bank}/acts' => [[401, 404, 403, 200, 200, 403, 404], fn (World $w): array => ['/banks/rocks/acts', null]],
    'POST api/v1/banks/{bank}/acts/preview' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/acts/preview', ['ids' => [$w->question], 'record' => ['tags' => ['add' => ['x']]]]],
    ],
    'POST api/v1/banks/{bank}/acts/places' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => [
            '/banks/rocks/acts/places',
            ['filter' => '', 'content' => ['replace' => ['find' => 'which', 'with' => 'what']]],
        ],
    ],
    'GET api/v1/acts/{act}' => [[401, 404, 403, 200, 200, 403, 404], fn (World $w): array => ["/acts/{$w->act()}", null]],
    'GET api/v1/acts/{act}/changes' => [[401, 404, 403, 200, 200, 403, 404], fn (World $w): array => ["/acts/{$w->act()}/changes", null]],
    'DELETE api/v1/acts/{act}' => [[401, 404, 403, 204, 204, 403, 404], fn (World $w): array => ["/acts/{$w->act()}", null]],
    'POST api/v1/acts/{act}/resume' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/acts/{$w->act()}/resume", new stdClass()],
    ],
    'POST api/v1/acts/{act}/undo' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => ["/acts/{$w->act()}/undo", new stdClass()],
    ],
    'POST api/v1/banks/{bank}/copies' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/copies', ['ids' => [$w->question]]],
    ],
    'POST api/v1/banks/{bank}/carry' => [
        [401, 404, 201, 201, 201, 201, 404],
        fn (World $w): array => ['/banks/rocks/carry', ['new_bank' => 'Next year', 'filter' => '']],
    ],
    'POST api/v1/banks/{bank}/carry/preview' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/carry/preview', ['filter' => '']],
    ],
    'POST api/v1/banks/{bank}/copy' => [
        [401, 404, 201, 201, 201, 201, 404],
        fn (World $w): array => ['/banks/rocks/copy', ['name' => 'Mine']],
    ],
    'GET api/v1/banks/{bank}/tags' => [[401, 404, 200, 200, 200, 200, 404], fn (World $w): array => ['/banks/rocks/tags', null]],
    'PUT api/v1/banks/{bank}/folders/{node}/order' => [
        [401, 404, 403, 422, 422, 403, 404],
        fn (World $w): array => ["/banks/rocks/folders/{$w->folder()}/order", ['question' => $w->question, 'before' => null]],
    ],
    'POST api/v1/banks/{bank}/{tree}/outline' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/topics/outline', ['text' => 'Rocks', 'go' => true]],
    ],
    'POST api/v1/banks/{bank}/{tree}/{node}/merge' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/banks/rocks/topics/{$w->topic()}/merge", ['into' => $w->topic('U')]],
    ],
    'GET api/v1/banks/{bank}/{tree}/{node}/uses' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/banks/rocks/topics/{$w->topic()}/uses", null],
    ],
    'POST api/v1/banks/{bank}/{tree}' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ['/banks/rocks/folders', ['name' => 'F']],
    ],
    'PATCH api/v1/banks/{bank}/{tree}/{node}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/banks/rocks/folders/{$w->folder()}", ['name' => 'G']],
    ],
    'DELETE api/v1/banks/{bank}/{tree}/{node}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/banks/rocks/topics/{$w->topic()}", null],
    ],
    'GET api/v1/questions/{question}/thumbnail' => [
        [401, 404, 404, 404, 404, 404, 404], // there is nothing to see of it
        fn (World $w): array => ["/questions/$w->question/thumbnail", null],
    ],
    'GET api/v1/questions/{question}/changes' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/changes", null],
    ],
    'GET api/v1/questions/{question}/followers' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/followers", null],
    ],
    'POST api/v1/questions/{question}/keep' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/keep", ['revision' => 1]],
    ],
    'GET api/v1/questions/{question}/revisions' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/revisions", null],
    ],
    'GET api/v1/questions/{question}/revisions/{number}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/questions/$w->question/revisions/1", null],
    ],
    'GET api/v1/tray' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/tray', null]],
    'PATCH api/v1/tray' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/tray', ['add' => [$w->question]]]],
    'GET api/v1/blueprints' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/blueprints', null]],
    'POST api/v1/blueprints' => [
        [401, 422, 422, 201, 201, 422, 422],
        fn (World $w): array => ['/blueprints', ['title' => 'T', 'bank' => 'rocks']],
    ],
    'GET api/v1/blueprints/{blueprint}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}", null],
    ],
    'PUT api/v1/blueprints/{blueprint}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => [
            '/blueprints/'.($id = $w->blueprint()),
            ['content' => World::blueprintOf($id, $w->bank->id)],
            ['If-Match' => '"1"'],
        ],
    ],
    'DELETE api/v1/blueprints/{blueprint}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}", null],
    ],
    'POST api/v1/blueprints/{blueprint}/restore' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}/restore", new stdClass()],
    ],
    'GET api/v1/blueprints/{blueprint}/availability' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}/availability", null],
    ],
    'GET api/v1/blueprints/{blueprint}/values' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}/values?of=topic", null],
    ],
    'GET api/v1/blueprints/{blueprint}/questions' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}/questions?place=t1|r1|c1", null],
    ],
    'POST api/v1/blueprints/{blueprint}/assemble' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/blueprints/{$w->blueprint()}/assemble", ['kept' => [$w->question], 'tests' => 1]],
    ],
    'POST api/v1/blueprints/{blueprint}/assessments' => [
        [401, 404, 422, 201, 201, 422, 404],
        fn (World $w): array => [
            "/blueprints/{$w->blueprint()}/assessments",
            ['title' => 'T', 'bank' => 'rocks', 'tests' => [[$w->question]]],
        ],
    ],
    'GET api/v1/assessments/{assessment}/blueprint' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assembled()}/blueprint", null],
    ],
    'POST api/v1/assessments/{assessment}/assemble' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assembled()}/assemble", ['kept' => [$w->question]]],
    ],
    'GET api/v1/assessments' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/assessments', null]],
    'POST api/v1/assessments' => [
        [401, 422, 422, 201, 201, 422, 422],
        fn (World $w): array => ['/assessments', ['title' => 'T', 'bank' => 'rocks']],
    ],
    'GET api/v1/assessments/{assessment}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}", null],
    ],
    'PUT api/v1/assessments/{assessment}' => [
        [401, 404, 403, 412, 412, 403, 404],
        fn (World $w): array => [
            '/assessments/'.($id = $w->assessment()),
            ['content' => ['format' => 'wide-quarry/assessment', 'version' => 1, 'id' => $id, 'title' => 'T', 'sections' => []]],
            ['If-Match' => '"9"'],
        ],
    ],
    'POST api/v1/assessments/{assessment}/questions' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/questions", ['questions' => [$w->question]]],
    ],
    'DELETE api/v1/assessments/{assessment}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}", null],
    ],
    'GET api/v1/assessments/{assessment}/compare/{other}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/compare/{$w->assessment()}", null],
    ],
    'GET api/v1/assessments/topics' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/assessments/topics', null]],
    'PATCH api/v1/assessment-folders' => [
        [401, 422, 422, 200, 200, 422, 422],
        fn (World $w): array => ['/assessment-folders', ['bank' => 'rocks', 'from' => ['Year 9'], 'to' => ['Year 10']]],
    ],
    'PATCH api/v1/assessments/{assessment}/place' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/place", ['folder' => ['Year 9', 'Autumn'], 'course' => 'Earth']],
    ],
    'PUT api/v1/assessments/{assessment}/opened' => [
        [401, 404, 204, 204, 204, 204, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/opened", null],
    ],
    'POST api/v1/assessments/{assessment}/merge' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/merge", $w->edits()],
    ],
    'GET api/v1/assessments/{assessment}/check' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/check", null],
    ],
    'POST api/v1/assessments/{assessment}/state' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/state", ['state' => 'archived'], ['If-Match' => '"1"']],
    ],
    'POST api/v1/assessments/{assessment}/restore' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/restore", new stdClass()],
    ],
    'GET api/v1/assessments/{assessment}/revisions' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/revisions", null],
    ],
    'POST api/v1/assessments/{assessment}/revisions/{revision}/restore' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/revisions/1/restore", new stdClass(), ['If-Match' => '"1"']],
    ],
    'GET api/v1/assessments/{assessment}/entries/{entry}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => [$w->entryPath(), null],
    ],
    'PUT api/v1/assessments/{assessment}/entries/{entry}' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => [$w->entryPath(), ['question' => World::json()], ['If-Match' => '"1"']],
    ],
    'GET api/v1/assessments/{assessment}/entries/{entry}/others' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => [$w->entryPath().'/others', null],
    ],
    'GET api/v1/assessments/{assessment}/draws/{entry}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => [$w->drawPath(), null],
    ],
    'GET api/v1/assessments/{assessment}/sheet' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/sheet?which=key", null],
    ],
    'GET api/v1/assessments/{assessment}/papers' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/papers?which=scheme,notes", null],
    ],
    'GET api/v1/assessments/{assessment}/run' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/run?seed=4", null],
    ],
    'POST api/v1/assessments/{assessment}/run' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/run", ['seed' => 4, 'given' => new stdClass]],
    ],
    'GET api/v1/assessments/{assessment}/reading' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/reading", null],
    ],
    'GET api/v1/assessments/{assessment}/rolls' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/rolls", null],
    ],
    'PUT api/v1/assessments/{assessment}/print' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/print", ['settings' => ['columns' => 2]]],
    ],
    'POST api/v1/assessments/{assessment}/prints' => [
        [401, 404, 422, 422, 422, 422, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/prints", ['which' => 'neither']],
    ],
    'GET api/v1/assessments/{assessment}/print-orders/{order}' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => [$w->orderPath(), null],
    ],
    'GET api/v1/assessments/{assessment}/prints/{print}' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => [$w->printPath(), null],
    ],
    'GET api/v1/assessments/{assessment}/prints/{print}/pages/{page}' => [
        [401, 404, 404, 404, 404, 404, 404],
        fn (World $w): array => [$w->printPath().'/pages/9', null],
    ],
    'GET api/v1/assessments/{assessment}/forms' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/forms", null],
    ],
    'POST api/v1/assessments/{assessment}/forms' => [
        [401, 404, 403, 201, 201, 403, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/forms", ['count' => 2, 'seed' => 3]],
    ],
    'GET api/v1/assessments/{assessment}/forms/{set}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => [$w->formsPath(), null],
    ],
    'POST api/v1/assessments/{assessment}/prints/{print}/receipts' => [
        [401, 404, 404, 201, 404, 404, 404],
        fn (World $w): array => [$w->printPath().'/receipts', null],
    ],
    'GET api/v1/assessments/{assessment}/receipts' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ["/assessments/{$w->assessment()}/receipts", null],
    ],
    'GET api/v1/assessments/{assessment}/receipts/{receipt}' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => [$w->receiptPath(), null],
    ],
    'GET api/v1/banks/{bank}/print-templates' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/print-templates', null],
    ],
    'PUT api/v1/banks/{bank}/print-templates' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/print-templates', ['title' => 'Exams', 'settings' => ['columns' => 2]]],
    ],
    'DELETE api/v1/banks/{bank}/print-templates/{template}' => [
        [401, 404, 403, 204, 204, 403, 404],
        fn (World $w): array => ["/banks/rocks/print-templates/{$w->template()}", null],
    ],
    'POST api/v1/dispatches' => [
        [401, 422, 201, 201, 201, 201, 422],
        fn (World $w): array => ['/dispatches', ['format' => 'pack', 'questions' => [$w->question]]],
    ],
    'POST api/v1/dispatches/losses' => [
        [401, 422, 200, 200, 200, 200, 422],
        fn (World $w): array => ['/dispatches/losses', ['format' => 'cc13', 'questions' => [$w->question]]],
    ],
    'GET api/v1/dispatches/{dispatch}' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => ["/dispatches/{$w->dispatch()}", null],
    ],
    'GET api/v1/dispatches/{dispatch}/file' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => ["/dispatches/{$w->dispatch()}/file", null],
    ],
    'POST api/v1/dispatches/{dispatch}/deliver' => [
        [401, 404, 404, 200, 404, 404, 404],
        fn (World $w): array => [$w->deliveryPath(), new stdClass()],
    ],
    'GET api/v1/transfers' => [[401, 200, 200, 200, 200, 200, 200], fn (World $w): array => ['/transfers', null]],
    'GET api/v1/receipts/{receipt}' => [[401, 404, 404, 200, 200, 404, 404], fn (World $w): array => ["/receipts/{$w->receipt()}", null]],
    'POST api/v1/intakes' => [[401, 422, 422, 422, 422, 422, 422], fn (World $w): array => ['/intakes', new stdClass()]],
    'POST api/v1/banks/{bank}/reread' => [
        [401, 404, 403, 422, 422, 403, 404],
        fn (World $w): array => ['/banks/rocks/reread', new stdClass()],
    ],
    'GET api/v1/intakes/{intake}' => [[401, 404, 404, 200, 200, 404, 404], fn (World $w): array => ["/intakes/{$w->intake()->id}", null]],
    'PATCH api/v1/intakes/{intake}' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}", ['folder' => ['F']]],
    ],
    'DELETE api/v1/intakes/{intake}' => [
        [401, 404, 404, 204, 204, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}", null],
    ],
    'GET api/v1/intakes/{intake}/parts' => [[401, 404, 404, 200, 200, 404, 404], fn (World $w): array => [$w->partsPath(), null]],
    'PUT api/v1/intakes/{intake}/parts' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->partsPath(), ['parts' => (object) []]],
    ],
    'POST api/v1/intakes/{intake}/commit' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/commit", new stdClass()],
    ],
    'POST api/v1/intakes/{intake}/undo' => [
        [401, 404, 404, 422, 422, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/undo", new stdClass()],
    ],
    'POST api/v1/intakes/{intake}/set' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/set", ['filter' => '', 'skipped' => true]],
    ],
    'GET api/v1/intakes/{intake}/questions' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/questions", null],
    ],
    'GET api/v1/intakes/{intake}/questions/{staged}' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->stagedPath(), null],
    ],
    'PUT api/v1/intakes/{intake}/questions/{staged}' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->stagedPath(), ['question' => World::json()], ['If-Match' => '"1"']],
    ],
    'GET api/v1/intakes/{intake}/documents/{file}' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->documentPath(), null],
    ],
    'PUT api/v1/intakes/{intake}/files/{file}/corrections' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->correctionsPath(), ['corrections' => (object) [], 'base' => (object) []]],
    ],
    'POST api/v1/banks/{bank}/regroup' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/regroup', ['filter' => '', 'pattern' => '{kind}']],
    ],
    'POST api/v1/banks/{bank}/regroup/preview' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/regroup/preview', ['filter' => '', 'pattern' => '{kind}', 'names' => ['a' => 'b']]],
    ],
    'POST api/v1/banks/{bank}/compare' => [
        [401, 404, 200, 200, 200, 200, 404],
        fn (World $w): array => ['/banks/rocks/compare', ['with' => 'rocks', 'filter' => '']],
    ],
    'POST api/v1/banks/{bank}/compare/take' => [
        [401, 404, 403, 200, 200, 403, 404],
        fn (World $w): array => ['/banks/rocks/compare/take', ['pairs' => [['here' => $w->question, 'there' => $w->question]]]],
    ],
    'GET api/v1/intakes/{intake}/migration' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/migration", null],
    ],
    'PUT api/v1/intakes/{intake}/migration' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [
            "/intakes/{$w->intake()->id}/migration",
            ['pattern' => '{quiz}', 'names' => ['a' => 'b'], 'lines' => [['quiz' => 'Rocks', 'draw' => 2]]],
        ],
    ],
    'POST api/v1/intakes/{intake}/migration/recall' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/migration/recall", ['text' => 'Rocks: drew 2 of the rock questions']],
    ],
    'POST api/v1/receipts/{receipt}/assumptions' => [
        [401, 404, 404, 204, 204, 404, 404],
        fn (World $w): array => ["/receipts/{$w->assumed()}/assumptions", ['email' => 'keeper@fellmoor.example', 'words' => 'Please.']],
    ],
    'POST api/v1/receipts/{receipt}/assumptions/{number}' => [
        [401, 404, 404, 404, 204, 404, 404],
        fn (World $w): array => ["/receipts/{$w->assumed()}/assumptions/0", null],
    ],
    'GET api/v1/intakes/{intake}/tables/{file}' => [
        [401, 404, 404, 200, 200, 404, 404],
        fn (World $w): array => [$w->tablePath(), null],
    ],
    'POST api/v1/table-mappings' => [
        [401, 201, 201, 201, 201, 201, 201],
        fn (World $w): array => ['/table-mappings', ['name' => 'Mine', 'mapping' => ['sheets' => []]]],
    ],
    'DELETE api/v1/table-mappings/{mapping}' => [
        [401, 404, 404, 204, 404, 404, 404],
        fn (World $w): array => ["/table-mappings/{$w->mapping()}", null],
    ],
    'GET api/v1/table-templates/{kind}/{type}' => [
        [401, 200, 200, 200, 200, 200, 200],
        fn (World $w): array => ['/table-templates/choice/xlsx', null],
    ],
    'GET api/v1/intakes/{intake}/media/{medium}' => [
        [401, 404, 404, 404, 404, 404, 404],
        fn (World $w): array => ["/intakes/{$w->intake()->id}/media/gone", null],
    ],
];
