<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

/**
 * A school's server as `bin/install-server` sets it up, from the same templates (`deploy/`), in a folder of its own: nginx, PHP
 * workers, queue, clock and workbench under a supervisor. There are three schools: the demo's at 127.0.0.1, an empty one at
 * another name, and one that has TLS.
 */
final class SchoolServer extends Server
{
    /** The demo's. */
    public const SCHOOL = 'quarry';

    public const OTHER = 'heron';

    public const WITH_TLS = 'slate';

    /** For what is asked by machines: they ask more often than people, and always as the same director. */
    public const UNBOUNDED = ['LIMIT_SECONDS' => '100000', 'LIMIT_DECISIONS' => '1000000', 'LIMIT_TRIALS' => '1000000', 'LIMIT_IMPORTS' => '100000'];

    private const RELEASE = 'here';

    /** Nothing of what the tests are run with. */
    private const OURS = ['PATH' => '/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin', 'HOME' => '/tmp'];

    private int $tlsPort = 0;

    /** @param array<string, string> $settings of all schools, besides the usual */
    public static function open(array $settings = []): self
    {
        $folder = self::freshFolder();
        $port = Ports::free();
        $server = new self("http://127.0.0.1:{$port}", $port, $folder, "{$folder}/schools/".self::SCHOOL.'/pencil.sqlite');
        $server->tlsPort = Ports::free();
        $server->furnish($settings);
        $server->start();

        return $server->endsWithUs();
    }

    public function school(string $name = self::SCHOOL): string
    {
        return "{$this->folder}/schools/{$name}";
    }

    /** Where a school is, for a client that is told who stands behind the name. */
    public function addressOf(string $name): string
    {
        return match ($name) {
            self::SCHOOL => $this->address,
            self::WITH_TLS => "https://{$name}.test:{$this->tlsPort}",
            default => "http://{$name}.test:{$this->port}",
        };
    }

    /** A command of the application for a school. @return string what it printed */
    public function artisan(string $school, string ...$command): string
    {
        return self::run([PHP_BINARY, '-c', self::root().'/deploy/php.ini', 'artisan', ...array_values($command)], ['PENCIL_SCHOOL' => $this->school($school)] + self::OURS);
    }

    /** @return list<int> processes of the web workers, their master not among them */
    public function workers(): array
    {
        $master = (int) trim($this->control('pid', 'pencil-web-'.self::RELEASE));

        return array_map(intval(...), array_values(array_filter(explode(' ', trim((string) file_get_contents("/proc/{$master}/task/{$master}/children"))))));
    }

    public function control(string ...$command): string
    {
        return self::run(['supervisorctl', '-c', "{$this->folder}/supervisor.conf", ...array_values($command)], self::OURS);
    }

    public function log(string $name): string
    {
        return (string) @file_get_contents("{$this->folder}/logs/{$name}.log");
    }

    protected function started()
    {
        return $this->launched(['supervisord', '-n', '-c', "{$this->folder}/supervisor.conf"], self::OURS);
    }

    /** A supervisor gives each program a group of its own: all are sought out. */
    protected function killed($process): void
    {
        $all = [proc_get_status($process)['pid']];
        for ($next = 0; $next < count($all); $next++) {
            array_push($all, ...array_map(intval(...), array_filter(explode(' ', trim((string) @file_get_contents("/proc/{$all[$next]}/task/{$all[$next]}/children"))))));
        }
        array_walk($all, static fn (int $one): bool => @posix_kill($one, SIGKILL));
        proc_close($process);
    }

    protected function awaitWorkers(string $release = self::RELEASE): void
    {
        for ($try = 0; $try < 300 && ! is_resource(@stream_socket_client("unix://{$this->folder}/run/web-{$release}.sock", timeout: 1)); $try++) {
            usleep(100_000);
        }
    }

    /**
     * The steps of `bin/install-server` from one release to another, each to be taken under load.
     *
     * @return list<\Closure(): void>
     */
    public function turnsTo(string $release): array
    {
        return [
            function () use ($release): void {
                $this->furnishRelease($release);
                $this->control('update');
                $this->awaitWorkers($release);
            },
            function () use ($release): void {
                foreach (glob("{$this->folder}/nginx-school-*.conf") ?: [] as $file) {
                    file_put_contents($file, preg_replace('~/run/web-\w+\.sock~', "/run/web-{$release}.sock", (string) file_get_contents($file)));
                }
                self::run(['/usr/sbin/nginx', '-c', "{$this->folder}/nginx.conf", '-s', 'reload'], self::OURS);
            },
            static fn () => usleep(1_500_000),
            function () use ($release): void {
                array_map(unlink(...), array_filter(glob("{$this->folder}/supervisor-web-*.conf") ?: [], static fn (string $file): bool => ! str_ends_with($file, "-{$release}.conf")));
                $this->control('update');
            },
        ];
    }

    private function furnishRelease(string $release): void
    {
        $fpm = glob('/usr/sbin/php-fpm8*') ?: throw new \RuntimeException('There is no php-fpm; bin/setup --with-browser installs it.');
        $isRoot = posix_getuid() === 0;
        $this->write('php-fpm.conf', "php-fpm-{$release}.conf", ['user' => $isRoot ? "user = root\ngroup = root" : '', 'logs' => "{$this->folder}/logs", 'run' => "{$this->folder}/run", 'release_name' => $release, 'workers' => '6']);
        $this->write('supervisor-web.conf', "supervisor-web-{$release}.conf", ['release' => self::root(), 'release_name' => $release, 'configuration' => $this->folder, 'logs' => "{$this->folder}/logs", 'user' => '', 'fpm' => end($fpm).($isRoot ? ' --allow-to-run-as-root -d opcache.preload_user=root' : '')]);
    }

    /** @param array<string, string> $settings */
    private function furnish(array $settings): void
    {
        foreach (['run', 'logs', 'temporary'] as $name) {
            mkdir("{$this->folder}/{$name}", 0700);
        }
        self::run(['openssl', 'req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-days', '2', '-subj', '/CN='.self::WITH_TLS.'.test', '-keyout', "{$this->folder}/tls.key", '-out', "{$this->folder}/tls.crt"], self::OURS);
        foreach ([self::SCHOOL, self::OTHER, self::WITH_TLS] as $name) {
            $this->openSchool($name, $settings);
        }
        self::run(['deploy/list-preloaded'], self::OURS);
        $this->write('nginx-all.conf', 'nginx-all.conf', ['port' => "127.0.0.1:{$this->port}", 'tls' => "server { listen 127.0.0.1:{$this->tlsPort} ssl default_server; ssl_reject_handshake on; }"]);
        $this->furnishRelease(self::RELEASE);
        file_put_contents("{$this->folder}/nginx.conf", $this->nginx());
        file_put_contents("{$this->folder}/supervisor.conf", $this->supervisor());
    }

    /** @param array<string, string> $settings */
    private function openSchool(string $name, array $settings): void
    {
        $folder = $this->school($name);
        foreach (['backups', 'storage/app', 'storage/logs', 'storage/framework/cache/data', 'storage/framework/sessions', 'storage/framework/views'] as $inside) {
            mkdir("{$folder}/{$inside}", 0700, true);
        }
        $usual = ['APP_KEY' => 'base64:'.base64_encode(random_bytes(32)), 'APP_ENV' => 'production', 'APP_URL' => $this->addressOf($name), 'DB_DATABASE' => "{$folder}/pencil.sqlite", 'SUPERVISED' => 'true', 'QUEUE_CONNECTION' => 'database', 'TRUSTED_HOSTS' => "{$name}.test"];
        file_put_contents("{$folder}/settings", implode("\n", array_map(static fn (string $key, string $value): string => "{$key}={$value}", array_keys($settings + $usual), $settings + $usual))."\n");
        touch("{$folder}/pencil.sqlite");
        // The demo's handouts are not engraved: that would take longer than what is tested.
        self::run([PHP_BINARY, '-c', self::root().'/deploy/php.ini', 'artisan', 'migrate', '--force', '--quiet', ...($name === self::SCHOOL ? ['--seed'] : [])], ['PENCIL_SCHOOL' => $folder, 'SHARING_ENGRAVER' => 'false'] + self::OURS);
        $tls = $name === self::WITH_TLS;
        $this->write('nginx-school.conf', "nginx-school-{$name}.conf", [
            'listen' => 'listen 127.0.0.1:'.($tls ? "{$this->tlsPort} ssl http2" : $this->port).';', 'names' => "{$name}.test".($name === self::SCHOOL ? ' 127.0.0.1 localhost' : ''),
            'certificate' => $tls ? "ssl_certificate {$this->folder}/tls.crt; ssl_certificate_key {$this->folder}/tls.key;" : '', 'hsts' => $tls ? 'add_header Strict-Transport-Security "max-age=31536000" always;' : '',
            'current' => self::root(), 'logs' => "{$this->folder}/logs", 'error_level' => 'crit', 'school' => $folder, 'run' => "{$this->folder}/run", 'release_name' => self::RELEASE,
        ]);
        $this->write('supervisor-school.conf', "supervisor-school-{$name}.conf", ['release' => self::root(), 'release_name' => self::RELEASE, 'school' => $folder, 'school_name' => $name, 'logs' => "{$this->folder}/logs", 'user' => '', 'php' => PHP_BINARY]);
    }

    /** @param array<string, string> $values */
    private function write(string $template, string $to, array $values): void
    {
        file_put_contents("{$this->folder}/{$to}", self::run(['deploy/fill', $template, ...array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($values), $values)], self::OURS));
    }

    /** What Debian's nginx has around a site. */
    private function nginx(): string
    {
        $own = implode("\n", array_map(fn (string $kind): string => "{$kind}_temp_path {$this->folder}/temporary/{$kind};", ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']));
        $user = posix_getuid() === 0 ? 'user root;' : '';

        return "{$user}\nworker_processes 2;\npid {$this->folder}/run/nginx.pid;\nerror_log {$this->folder}/logs/nginx.log crit;\nevents { worker_connections 768; }\nhttp {\ninclude /etc/nginx/mime.types;\n{$own}\ninclude {$this->folder}/nginx-all.conf;\ninclude {$this->folder}/nginx-school-*.conf;\n}\n";
    }

    /** What Debian's supervisor has around programs; and nginx, which has a service of its own there. */
    private function supervisor(): string
    {
        $user = posix_getuid() === 0 ? 'user=root' : '';

        return <<<CONF
            [supervisord]
            nodaemon=true
            {$user}
            logfile={$this->folder}/logs/supervisor.log
            pidfile={$this->folder}/run/supervisor.pid
            childlogdir={$this->folder}/logs
            [unix_http_server]
            file={$this->folder}/run/supervisor.sock
            [rpcinterface:supervisor]
            supervisor.rpcinterface_factory = supervisor.rpcinterface:make_main_rpcinterface
            [supervisorctl]
            serverurl=unix://{$this->folder}/run/supervisor.sock
            [program:nginx]
            command=/usr/sbin/nginx -c {$this->folder}/nginx.conf -g "daemon off;"
            autorestart=true
            stopsignal=QUIT
            [include]
            files={$this->folder}/supervisor-*.conf
            CONF;
    }
}
