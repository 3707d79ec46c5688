<?php

declare(strict_types=1);

return [
    'cuff' => env('CUFF_ADDRESS', ''),
    'camera' => env('CAMERA_ADDRESS', ''),
];
