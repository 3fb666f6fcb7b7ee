<!doctype html>
<html lang="en-GB">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Outbox of the demo</title>
    <style>
        body { font: 16px/1.5 ui-sans-serif, system-ui, sans-serif; max-width: 44rem; margin: 2rem auto; padding: 0 1rem; color: #1f2328; background: #fff; }
        h1 { font-size: 1.4rem; } h2 { font-size: 1rem; margin: 0; }
        article { border-top: 1px solid #b8b2a7; padding: 1rem 0; }
        pre { white-space: pre-wrap; overflow-wrap: anywhere; font: inherit; margin: .5rem 0 0; } .about { color: #57534e; }
    </style>
</head>
<body>
    <h1>Outbox of the demo</h1>
    <p class="about">No mail leaves the demo. This is what would have been sent, the newest first.</p>
    @forelse ($mails as $mail)
        <article>
            <h2>{{ $mail->subject }}</h2>
            <p class="about">To {{ $mail->recipient }}, {{ $mail->created_at }}</p>
            <pre>{!! preg_replace('~(https?://[^\s<]+)~', '<a href="$1">$1</a>', e($mail->body)) !!}</pre>
        </article>
    @empty
        <p>Nothing has been sent yet.</p>
    @endforelse
</body>
</html>
