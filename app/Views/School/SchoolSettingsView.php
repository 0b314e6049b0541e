<?php

declare(strict_types=1);

namespace App\Views\School;

/** A school, for those who administer it. */
final readonly class SchoolSettingsView
{
    /**
     * @param  int|null  $idleMinutes  after which whoever does nothing is signed out; null: as long as the session lasts
     * @param  int|null  $auditDays  that the audit list is kept; null: as long as the installation keeps it
     * @param  int  $longestAudit  days that the installation keeps it
     * @param  string|null  $timeZone  where its days are reckoned; null: as on the server
     * @param  list<SchoolPersonView>  $people
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $idleMinutes,
        public ?int $auditDays,
        public int $longestAudit,
        public ?string $timeZone,
        public string $serverZone,
        public array $people,
    ) {}
}
