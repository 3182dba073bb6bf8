<?php

declare(strict_types=1);

namespace App\Models\Light;

use Illuminate\Database\Eloquent\Model;

/**
 * A piece of a print file that is one area as a whole.
 *
 * @property int $id
 * @property int $mesh_id
 * @property int $shell from 0, as the file has them
 * @property int|null $area_id null for a piece that is no area
 */
final class MeshShell extends Model
{
    public $timestamps = false;

    protected $guarded = ['id', 'mesh_id'];
}
