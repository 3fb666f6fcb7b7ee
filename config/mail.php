<?php

declare(strict_types=1);

// "outbox" keeps mail in a table. To send it, set MAIL_MAILER=smtp with MAIL_HOST, MAIL_PORT, MAIL_USERNAME, MAIL_PASSWORD and MAIL_SCHEME.
return [
    'default' => env('MAIL_MAILER', 'outbox'),
    'mailers' => [
        'outbox' => ['transport' => 'outbox'],
        'array' => ['transport' => 'array'],
        'smtp' => [
            'transport' => 'smtp', 'scheme' => env('MAIL_SCHEME'), 'host' => env('MAIL_HOST', '127.0.0.1'), 'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'timeout' => 10, 'local_domain' => parse_url((string) env('APP_URL', 'http://localhost'), PHP_URL_HOST),
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'quarry@'.(parse_url((string) env('APP_URL', 'http://localhost'), PHP_URL_HOST) ?: 'localhost')), 'name' => env('MAIL_FROM_NAME', 'Wide Quarry')],
];
