<?php

// Which school this process works for. On a server each school has a folder of its own, with its settings (like .env), its
// database, its files and its backups; whoever starts us says which (nginx by the address, the command line by PENCIL_SCHOOL).
// Nothing said: the folder of the application, as `bin/demo` has it.

declare(strict_types=1);

return (static function (): ?string {
    // From the server's own settings or the environment; a header of a request would be called HTTP_….
    $folder = $_SERVER['PENCIL_SCHOOL'] ?? getenv('PENCIL_SCHOOL');

    // What is written is nobody else's to read.
    umask(0077);

    return is_string($folder) && $folder !== '' ? rtrim($folder, '/') : null;
})();
