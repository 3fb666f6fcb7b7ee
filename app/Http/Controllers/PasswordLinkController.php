<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Accounts\PasswordLinks;
use App\Http\OpenApi\Operation;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Timebox;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Choosing a password with a link that came by mail, without being signed in. */
final class PasswordLinkController
{
    private const MICROSECONDS = 300_000;

    #[Operation(
        'Ask for a mail with a link; the answer is the same whether or not the address is known',
        body: ['email' => 'string'],
        status: 204,
    )]
    public function store(Request $request, PasswordLinks $links): Response
    {
        $email = Fields::of(Json::decode($request->getContent()), '', ['email'])
            ->need('email')
            ->string('email', '', 255);
        (new Timebox)->call(fn () => $links->reset($email), app()->runningUnitTests() ? 0 : self::MICROSECONDS);

        return new Response('', 204);
    }

    #[Operation('Choose a password with the secret of the link', body: ['secret' => 'string', 'password' => 'string'], status: 204)]
    public function update(Request $request, PasswordLinks $links): Response
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['secret', 'password'])
            ->need('secret')
            ->need('password');
        $links->use($fields->string('secret', '', 100), $fields->string('password', '', 255));

        return new Response('', 204);
    }
}
