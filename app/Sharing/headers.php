<?php

// What every answer says of itself, whoever sends it. Nothing is loaded from elsewhere and nobody frames us. The engraver is
// WebAssembly, hence 'wasm-unsafe-eval'.

declare(strict_types=1);

return [
    'Content-Security-Policy' => "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data: blob:; "
        ."font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
    'X-Content-Type-Options' => 'nosniff',
    // A share link's address is its secret; it must not travel on in a referrer.
    'Referrer-Policy' => 'no-referrer',
    'Cross-Origin-Opener-Policy' => 'same-origin',
];
