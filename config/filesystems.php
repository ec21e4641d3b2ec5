<?php

declare(strict_types=1);

// Nothing that is stored is served as a file.
return [
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
    ],
];
