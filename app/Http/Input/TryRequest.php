<?php

declare(strict_types=1);

namespace App\Http\Input;

use App\Models\User;
use Illuminate\Http\Request;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Reads a question out of a request that stores nothing. */
final readonly class TryRequest
{
    private const BYTES = 2_000_000;

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  list<string>  $known
     * @return array{Question, Fields, User}
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function read(Request $request, array $known): array
    {
        $body = $request->getContent();
        abort_if(strlen($body) > self::BYTES, 413);
        $fields = Fields::of(Json::decode($body), '', $known)->need('question');
        $user = User::asking($request);

        return [Question::read($fields->raw('question'), $this->kinds), $fields, $user];
    }
}
