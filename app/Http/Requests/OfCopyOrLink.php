<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\CopyLink;
use App\Models\StudentCopy;

/**
 * A request about a copy: that of the path, or of the link that is followed.
 */
trait OfCopyOrLink
{
    private ?StudentCopy $copy = null;

    public function copy(): StudentCopy
    {
        return $this->copy ??= $this->find();
    }

    private function find(): StudentCopy
    {
        $copy = $this->route('copy');
        $secret = $this->route('secret');
        $id = match (true) {
            $copy instanceof StudentCopy => $copy->id,
            is_string($secret) => (CopyLink::of($secret) ?? abort(404))->student_copy_id,
            default => abort(404),
        };

        return StudentCopy::query()->with(['piece', 'student.teacher', 'practiceEntries'])->findOrFail($id);
    }
}
