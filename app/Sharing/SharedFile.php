<?php

declare(strict_types=1);

namespace App\Sharing;

/**
 * What stands behind a link, found with one question to the database. It knows nothing of the framework: a whole class opens its
 * links within the same moment, and is answered before the framework is loaded (`public/index.php`).
 */
final readonly class SharedFile
{
    /**
     * The newest handout for the link's players, or the one that it leads to. A printed set shows words only, whatever it was when
     * it was handed out.
     */
    private const QUESTION = <<<'SQL'
        select frozen.hash, frozen.body, pieces.title, parts.name as part, handouts.audience_name as players
        from share_links
        join parts on parts.id = share_links.part_id and parts.put_away_at is null
        join pieces on pieces.id = parts.piece_id and pieces.put_away_at is null
        join ensembles on ensembles.id = pieces.ensemble_id and ensembles.put_away_at is null
        join handouts on handouts.withdrawn_at is null and handouts.id = coalesce(share_links.handout_id, (%s))
        join handout_files on handout_files.handout_id = handouts.id
            and handout_files.name = case when :name = '' then (case when pieces.rights = 'printed-only' then 'words' else 'view' end) else :name end
        join frozen on frozen.hash = handout_files.hash
        where share_links.token_hash = :token and share_links.closed_at is null and share_links.expires_at > :now and (:name = '' or pieces.rights != 'printed-only')
        SQL;

    private const AUDIENCES = "'', coalesce(cast(share_links.section_id as text), share_links.chair, '')";

    private function __construct(private Frozen $frozen, private string $name, private string $words) {}

    /**
     * @param  string  $token  as it stands in the address
     * @param  string  $name  of a file; empty: the page
     * @return self|null null where nothing is handed out behind it, or it is closed, or never was
     */
    public static function behind(\PDO $database, string $token, string $name, \DateTimeInterface $now): ?self
    {
        if ($name !== '' && ! isset(Frozen::TYPES[$name])) {
            return null;
        }
        $asked = $database->prepare(sprintf(self::QUESTION, NewestHandout::sql('id', 'share_links.part_id', self::AUDIENCES)));
        $asked->execute(['name' => $name, 'token' => hash('sha256', $token), 'now' => $now->format('Y-m-d H:i:s')]);
        $found = $asked->fetch(\PDO::FETCH_ASSOC);
        if (! is_array($found)) {
            return null;
        }

        return new self(new Frozen($found['hash'], is_resource($found['body']) ? (string) stream_get_contents($found['body']) : $found['body']), $name, implode(' ', array_filter([$found['title'], $found['part'], $found['players']])));
    }

    /**
     * @param  string|null  $has  the tag of what is there already (`If-None-Match`)
     * @param  bool  $packed  whether it may be sent compressed
     * @return array{int, array<string, string>, string} status, headers, body
     */
    public function answer(?string $has, bool $packed): array
    {
        return $this->frozen->answer($this->name, $this->words, $has, $packed);
    }
}
