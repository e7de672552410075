<?php

declare(strict_types=1);

use App\Models\Person;

return [
    'defaults' => ['guard' => 'web'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'people']],
    'providers' => ['people' => ['driver' => 'eloquent', 'model' => Person::class]],
    // So long an owner is not asked for the passphrase again, in minutes.
    'again_min' => 15,
];
