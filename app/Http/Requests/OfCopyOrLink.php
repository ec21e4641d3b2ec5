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

    /**
     * A link that is not good is not found, whatever is sent to it.
     */
    protected function prepareForValidation(): void
    {
        if ($this->route('secret') !== null) {
            $this->copy();
        }
    }

    private function find(): StudentCopy
    {
        $copy = $this->route('copy');
        $secret = $this->route('secret');

        return match (true) {
            $copy instanceof StudentCopy => $copy->load(['piece', 'student.teacher', 'practiceEntries']),
            is_string($secret) => CopyLink::copyOf($secret),
            default => abort(404),
        };
    }
}
