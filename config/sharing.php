<?php

declare(strict_types=1);

return [
    // Whether what is handed out is engraved on this machine (with Node): old phones then need no engraver.
    'engraver' => (bool) env('SHARING_ENGRAVER', true),
];
