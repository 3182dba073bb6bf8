<?php

declare(strict_types=1);

namespace App\Http\Controllers\Light;

use App\Actions\Light\ReceiveMesh;
use App\Adapters\Light\UploadPieces;
use App\Adapters\LostTask;
use App\Http\Props\Light\UploadProps;
use App\Jobs\ReadMesh;
use App\Models\Brief\Figure;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Print files on their way to a figure.
 */
final class UploadController
{
    public function store(Request $request, Figure $figure, ReceiveMesh $receive): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:200'], 'bytes' => ['required', 'integer', 'min:1'], 'fingerprint' => ['required', 'string', 'max:200']]);
        $upload = $receive->begin($figure, $request->string('name')->value(), $request->integer('bytes'), $request->string('fingerprint')->value());

        return new JsonResponse(UploadProps::of($upload), JsonResponse::HTTP_CREATED);
    }

    /** @throws ValidationException when the piece does not follow on what has arrived, or this is no print file */
    public function piece(Request $request, Figure $figure, MeshUpload $meshUpload, ReceiveMesh $receive): JsonResponse
    {
        $request->validate(['at' => ['required', 'integer', 'min:0']]);
        $bytes = $request->getContent();
        if (strlen($bytes) > 4 * MeshUpload::PIECE) {
            throw ValidationException::withMessages(['at' => 'This piece is too large.']);
        }
        try {
            if ($receive->piece($meshUpload, $request->integer('at'), $bytes)) {
                ReadMesh::ask($meshUpload, false);
            }
        } catch (ValidationException $e) {
            if (isset($e->errors()['mesh'])) {
                $receive->forget($meshUpload);
            }
            throw $e;
        }

        return new JsonResponse(UploadProps::of($meshUpload->refresh()));
    }

    public function show(Figure $figure, MeshUpload $meshUpload): JsonResponse
    {
        LostTask::tell($meshUpload->task);
        (new UploadPieces($meshUpload))->settle();

        return new JsonResponse(UploadProps::of($meshUpload));
    }

    /** What is on the figure already is meant to be there twice. */
    public function again(Figure $figure, MeshUpload $meshUpload): JsonResponse
    {
        if ($meshUpload->state === UploadState::Known) {
            $meshUpload->update(['state' => UploadState::Reading, 'mesh_id' => null]);
            ReadMesh::ask($meshUpload, true);
        }

        return new JsonResponse(UploadProps::of($meshUpload->refresh()));
    }

    /** Cancelled; what is being read is read to its end, and may be removed then. */
    public function destroy(Figure $figure, MeshUpload $meshUpload, ReceiveMesh $receive): JsonResponse
    {
        if ($meshUpload->state !== UploadState::Reading) {
            $receive->forget($meshUpload);
        }

        return new JsonResponse(['message' => 'Cancelled. Nothing was added.']);
    }
}
