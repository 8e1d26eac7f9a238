<?php

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'staff'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'staff']],
    'providers' => ['staff' => ['driver' => 'staff', 'model' => App\Models\Staff::class]],
    'passwords' => ['staff' => ['provider' => 'staff', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60]],
];
