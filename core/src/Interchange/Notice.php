<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Something a reader or writer has to say about the other side's file. */
final readonly class Notice implements \JsonSerializable
{
    private function __construct(
        public string $code,
        public string $severity,
        public string $message,
        public ?string $file,
        public ?int $line,
        public ?string $path,
        public ?string $question,
    ) {
    }

    /** Worth knowing; nothing is lost. */
    public static function note(string $code, string $message, ?string $file = null, ?int $line = null, ?string $question = null): self
    {
        return new self($code, 'note', $message, $file, $line, null, $question);
    }

    /** Something did not come along. */
    public static function loss(string $code, string $message, ?string $file = null, ?int $line = null, ?string $question = null): self
    {
        return new self($code, 'loss', $message, $file, $line, null, $question);
    }

    /** Something could not be read at all. */
    public static function problem(string $code, string $message, ?string $file = null, ?int $line = null, ?string $path = null): self
    {
        return new self($code, 'problem', $message, $file, $line, $path, null);
    }

    /** The same, said of a question. */
    public function about(string $question): self
    {
        return new self($this->code, $this->severity, $this->message, $this->file, $this->line, $this->path, $question);
    }

    /** The same, of a place within the file. */
    public function at(string $path): self
    {
        return new self($this->code, $this->severity, $this->message, $this->file, $this->line, $path, $this->question);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'code' => $this->code,
            'severity' => $this->severity,
            'file' => $this->file,
            'line' => $this->line,
            'path' => $this->path,
            'question' => $this->question,
            'message' => $this->message,
        ];
    }
}
