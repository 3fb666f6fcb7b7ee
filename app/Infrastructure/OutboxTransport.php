<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\MessageConverter;

/** Where no mail server is set up, mail is kept in a table; the demo has a page that shows it. */
final class OutboxTransport extends AbstractTransport
{
    public function __toString(): string
    {
        return 'outbox';
    }

    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        assert($original instanceof \Symfony\Component\Mime\Message);
        $mail = MessageConverter::toEmail($original);
        foreach ($message->getEnvelope()->getRecipients() as $recipient) {
            DB::table('outbox')->insert([
                'id' => (string) Str::uuid7(),
                'recipient' => $recipient->getAddress(),
                'subject' => (string) $mail->getSubject(),
                'body' => (string) $mail->getTextBody(),
            ]);
        }
    }
}
