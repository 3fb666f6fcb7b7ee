<?php

declare(strict_types=1);

namespace App\Models;

use App\Infrastructure\PostgresArray;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\HasApiTokens;
use WideQuarry\Question\Detail;
use WideQuarry\Sharing\Role;

/**
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password a hash
 * @property bool $is_administrator
 * @property \Carbon\CarbonInterface|null $disabled_at
 * @property \Carbon\CarbonInterface|null $signed_out_before sessions begun earlier have ended
 * @property string|null $second_factor the secret, encrypted
 * @property bool $second_factor_on
 * @property int $second_factor_step
 * @property string $details an array of PostgreSQL
 */
final class User extends Authenticatable
{
    use HasApiTokens, HasUuids;

    /** @var array<string, string> as the table has it, for people who were just made */
    protected $attributes = ['details' => '{standards,difficulty,state}'];

    /** @var list<string> */
    protected $fillable = ['name', 'email', 'password', 'is_administrator'];

    /** @var list<string> */
    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes'];

    /** Who asks, on a route that asks for a session. */
    public static function asking(Request $request): self
    {
        $user = $request->user();
        assert($user instanceof self);

        return $user;
    }

    /** @return list<string> what stands beside questions for this person: values of Question\Detail */
    public function details(): array
    {
        return array_column(Detail::named(PostgresArray::read($this->details)), 'value');
    }

    /** What this person may do in a bank; null: it is not there for them. */
    public function roleIn(string $bankId): ?Role
    {
        $role = DB::scalar('SELECT role FROM bank_roles(?) WHERE bank_id = ?', [$this->id, $bankId]);

        return is_string($role) ? Role::from($role) : null;
    }

    public function canEdit(string $bankId): bool
    {
        return $this->roleIn($bankId)?->canEdit() === true;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'is_administrator' => 'boolean',
            'disabled_at' => 'datetime',
            'signed_out_before' => 'datetime',
            'second_factor_on' => 'boolean',
            'second_factor_step' => 'integer',
        ];
    }
}
