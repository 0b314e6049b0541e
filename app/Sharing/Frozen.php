<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Keeping\Dialect;
use App\Models\Handout;
use Illuminate\Support\Facades\DB;

/**
 * What was handed out, as it was: compressed, under the hash of its contents, and never changed. What several handouts have in
 * common, the notes most of all, is kept once.
 */
final readonly class Frozen
{
    /** The page of a student, with notation. */
    public const VIEW = 'view';

    /** The same for a printed set: what to pencil where, and no notation. */
    public const WORDS = 'words';

    /** What is pencilled, for slips. */
    public const MARKS = 'marks';

    /** The notes that are played, without marks: for engraving. */
    public const MUSIC = 'music';

    public const MUSICXML = 'musicxml';

    public const HEARD = 'heard';

    /** Sheets to practise from, with their notes. */
    public const PRACTICE = 'practice';

    private const JSON = 'application/json';

    private const XML = 'application/vnd.recordare.musicxml+xml';

    /** What may be asked for besides the page, and its kind: all of it shows or sounds the notes. */
    public const TYPES = [self::MUSIC => self::XML, self::MUSICXML => self::XML, self::HEARD => self::JSON, self::PRACTICE => self::JSON, 'engraved-900' => self::JSON, 'engraved-1800' => self::JSON];

    /** @param string $body compressed (gzip) */
    public function __construct(public string $hash, public string $body) {}

    public static function engraved(int $width): string
    {
        return "engraved-{$width}";
    }

    /** Whether it is made behind the answer to whoever hands out: until then a browser does it itself. */
    public static function comesLater(string $name): bool
    {
        return isset(self::TYPES[$name]) && str_starts_with($name, 'engraved-');
    }

    public static function from(string $body): self
    {
        return new self(hash('sha256', $body), (string) gzencode($body, 6));
    }

    public function keep(Handout $handout, string $name): void
    {
        DB::table('frozen')->insertOrIgnore(['hash' => $this->hash, 'body' => Dialect::binary($this->body)]);
        DB::table('handout_files')->insertOrIgnore(['handout_id' => $handout->id, 'name' => $name, 'hash' => $this->hash]);
    }

    public static function of(Handout $handout, string $name): ?self
    {
        $row = DB::table('handout_files')->join('frozen', 'frozen.hash', 'handout_files.hash')->where(['handout_id' => $handout->id, 'name' => $name])->first(['frozen.hash', 'body']);

        return $row === null ? null : new self($row->hash, Dialect::bytes($row->body));
    }

    /** @return array<string, string> all that is kept of a handout, by name */
    public static function all(Handout $handout): array
    {
        $rows = DB::table('handout_files')->join('frozen', 'frozen.hash', 'handout_files.hash')->where('handout_id', $handout->id)->orderBy('name')->get(['name', 'frozen.hash', 'body']);

        return array_column($rows->map(static fn (\stdClass $row): array => [(string) $row->name, (new self($row->hash, Dialect::bytes($row->body)))->text()])->all(), 1, 0);
    }

    public function text(): string
    {
        return (string) gzdecode($this->body);
    }

    /**
     * @param  string  $name  of the file; empty: the page
     * @param  string  $words  piece and part, for the name of a file that is saved
     * @param  string|null  $has  the tag of what is there already (`If-None-Match`)
     * @param  bool  $packed  whether it may be sent compressed
     * @return array{int, array<string, string>, string} status, headers, body
     */
    public function answer(string $name, string $words, ?string $has, bool $packed): array
    {
        $headers = ['Content-Type' => self::TYPES[$name] ?? self::JSON, 'ETag' => "\"{$this->hash}\"", 'Vary' => 'Accept-Encoding', 'Cache-Control' => 'private, no-cache'];
        if ($name === self::MUSICXML) {
            $headers['Content-Disposition'] = 'attachment; filename="'.(trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($words)), '-') ?: 'part').'.musicxml"';
        }
        $tags = array_map(static fn (string $one): string => (string) preg_replace('/^W\//', '', trim($one)), explode(',', (string) $has));
        if (in_array("\"{$this->hash}\"", $tags, true)) {
            return [304, $headers, ''];
        }

        return $packed ? [200, $headers + ['Content-Encoding' => 'gzip', 'Content-Length' => (string) strlen($this->body)], $this->body] : [200, $headers, $this->text()];
    }
}
