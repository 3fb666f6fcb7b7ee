<?php

declare(strict_types=1);

namespace WideQuarry;

/** Something an author should look at: blocking findings keep a question from being complete. */
final readonly class Finding implements \JsonSerializable
{
    /** @param  array<string, mixed>  $details */
    private function __construct(
        public string $code,
        public string $severity,
        public string $path,
        public string $message,
        public array $details,
    ) {
    }

    /** @param  array<string, mixed>  $details */
    public static function blocking(string $code, string $path, string $message, array $details = []): self
    {
        return new self($code, 'blocking', $path, $message, $details);
    }

    /** @param  array<string, mixed>  $details */
    public static function warning(string $code, string $path, string $message, array $details = []): self
    {
        return new self($code, 'warning', $path, $message, $details);
    }

    public function isBlocking(): bool
    {
        return $this->severity === 'blocking';
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'code' => $this->code,
            'severity' => $this->severity,
            'path' => $this->path,
            'message' => $this->message,
            'details' => (object) $this->details,
        ];
    }
}
