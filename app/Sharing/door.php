<?php

// The door of the share pages, before the framework is loaded: a whole class opens its links within the same moment, and what
// they get was worked out when it was handed out. Whatever is not an open link goes on to the application.

declare(strict_types=1);

use App\Sharing\SharedFile;

return (static function (): bool {
    $path = rawurldecode((string) parse_url($_SERVER['REQUEST_URI'] ?? '', PHP_URL_PATH));
    if (($_SERVER['REQUEST_METHOD'] ?? '') !== 'GET' || preg_match('~^/api/shared/([\w-]{8,64})(?:/([a-z0-9-]{1,30}))?$~', $path, $found) !== 1) {
        return false;
    }
    require_once __DIR__.'/Frozen.php';
    require_once __DIR__.'/NewestHandout.php';
    require_once __DIR__.'/SharedFile.php';
    try {
        $school = require __DIR__.'/../../bootstrap/school.php';
        $file = $school === null ? __DIR__.'/../../.env' : "{$school}/settings";
        $settings = is_file($file) ? parse_ini_file($file, false, INI_SCANNER_RAW) : [];
        if ((getenv('DB_CONNECTION') ?: ($settings['DB_CONNECTION'] ?? 'sqlite')) !== 'sqlite') {
            return false;
        }
        $records = getenv('DB_DATABASE') ?: ($settings['DB_DATABASE'] ?? dirname(__DIR__, 2).'/database/pencil.sqlite');
        // Kept open between requests: to open it takes longer than to ask.
        $database = new PDO("sqlite:{$records}", null, null, [PDO::ATTR_PERSISTENT => true, PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::SQLITE_ATTR_OPEN_FLAGS => PDO::SQLITE_OPEN_READONLY]);
        $answer = SharedFile::behind($database, $found[1], $found[2] ?? '', new DateTimeImmutable('now', new DateTimeZone('UTC')))
            ?->answer($_SERVER['HTTP_IF_NONE_MATCH'] ?? null, str_contains($_SERVER['HTTP_ACCEPT_ENCODING'] ?? '', 'gzip'));
    } catch (PDOException) {
        return false;
    }
    if ($answer === null) {
        return false;
    }
    http_response_code($answer[0]);
    $secure = ($_SERVER['HTTPS'] ?? '') === 'on' ? ['Strict-Transport-Security' => 'max-age=31536000'] : [];
    foreach ([...(require __DIR__.'/headers.php'), ...$secure, ...$answer[1]] as $name => $value) {
        header("{$name}: {$value}");
    }
    echo $answer[2];

    return true;
})();
