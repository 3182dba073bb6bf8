<?php

declare(strict_types=1);

namespace App\Models\Account;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A link with which one more painter can sign up, once. Only its hash is kept.
 *
 * @property int $id
 * @property int $painter_id who invited
 * @property string $token_hash SHA-256
 * @property Carbon $expires_at
 * @property Carbon|null $used_at
 */
final class Invitation extends Model
{
    protected $fillable = ['painter_id', 'token_hash', 'expires_at', 'used_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'used_at' => 'datetime'];
    }

    /** @return Builder<self> the one that a token opens, if it still does */
    public static function opened(string $token): Builder
    {
        return self::query()->where('token_hash', hash('sha256', $token))->whereNull('used_at')->where('expires_at', '>', now());
    }
}
