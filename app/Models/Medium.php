<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * A picture, recording, film or caption file of a bank. Its identifier counts within the bank only: the same bytes have the same one in
 * every bank, and each bank has its own name and alternative text for them.
 *
 * @property string $id
 * @property string $bank_id
 * @property string $sha256 of the bytes as they are kept
 * @property string $type
 * @property string $name
 * @property int $bytes
 * @property int|null $width
 * @property int|null $height
 * @property float|null $seconds
 * @property string|null $alt null when nobody said, '' when it only decorates
 * @property string|null $binned_at
 * @property string $created_at
 * @property int $uses where the query counts them
 * @property int $sizes narrower copies that are made, where the query counts them
 * @property int $made microseconds since 1970, where the query asks for them
 */
final class Medium extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'media';

    protected $keyType = 'string';

    /** @var array<string, string> */
    protected $casts = ['seconds' => 'float', 'bytes' => 'integer', 'uses' => 'integer', 'sizes' => 'integer', 'made' => 'integer'];

    /** @return Builder<self> */
    public static function in(string $bankId): Builder
    {
        return self::query()->where('bank_id', $bankId);
    }
}
