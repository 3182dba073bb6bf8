<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * An answer that was given to a change, kept so that the same change sent again is not made twice.
 *
 * @property int $id
 * @property int $painter_id
 * @property string $key chosen by the browser
 * @property int $status
 * @property string $body
 */
final class Answer extends Model
{
    protected $guarded = ['id', 'painter_id'];
}
