<?php

return [
    // Tokens alone; the screens log in by session.
    'stateful' => [],
    'guard' => [],
    'expiration' => null,
    'routes' => false,
    'token_prefix' => 'linnet_',
];
