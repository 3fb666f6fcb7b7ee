<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A file on its way, piece by piece.
 *
 * @property string $id
 * @property string $bank_id
 * @property string $user_id
 * @property string $name
 * @property string|null $alt
 * @property int $bytes
 * @property int $received
 */
final class Upload extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    /** @var list<string> */
    protected $fillable = ['id', 'bank_id', 'user_id', 'name', 'alt', 'bytes', 'received', 'updated_at'];
}
