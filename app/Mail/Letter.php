<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Bus\Queueable;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A mail in plain text: a greeting, some paragraphs and a link. */
final class Letter extends Mailable
{
    use Queueable;

    /** @param  list<string>  $paragraphs */
    public function __construct(
        public readonly string $title,
        public readonly string $greeting,
        public readonly array $paragraphs,
        public readonly string $link,
    ) {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: mb_strimwidth((string) preg_replace('/\s+/u', ' ', $this->title), 0, 120, '…'));
    }

    public function content(): Content
    {
        return new Content(text: 'mail.letter');
    }
}
