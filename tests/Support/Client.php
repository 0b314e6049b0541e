<?php

declare(strict_types=1);

namespace Tests\Support;

/** A director's browser without a screen: cookies, the form's token, and several requests at once. */
final class Client
{
    /** A busy server is asked again. */
    private const TRIES = 4;

    /** @var array<string, string> */
    private array $cookies = [];

    /** @param list<string> $headers that every request has besides */
    public function __construct(private readonly string $address, private readonly array $headers = []) {}

    public function signIn(string $email = 'director@brindlemoor.test', string $password = 'lantern-quarry'): self
    {
        $this->send('GET', 'api/session');
        for ($try = 0; $try < self::TRIES; $try++) {
            $answer = $this->send('POST', 'api/session', ['email' => $email, 'password' => $password]);
            if ($answer['status'] === 200) {
                return $this;
            }
            usleep(500_000);
        }
        throw new \RuntimeException("{$email} was not let in: {$answer['status']}.");
    }

    /** @return array<string, string> */
    public function cookies(): array
    {
        return $this->cookies;
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array{status: int, json: array<mixed>, seconds: float, headers: string}
     */
    public function send(string $method, string $path, array $body = []): array
    {
        return $this->sendAll([[$method, $path, $body]])[0];
    }

    /**
     * Several requests at once, each over a connection of its own.
     *
     * @param  list<array{string, string, array<string, mixed>}>  $requests
     * @param  \Closure(): void|null  $meanwhile  done once they are on their way
     * @return list<array{status: int, json: array<mixed>, seconds: float, headers: string}> status 0: no answer came
     */
    public function sendAll(array $requests, ?\Closure $meanwhile = null): array
    {
        return self::together(array_map(fn (array $request): array => [$this, ...$request], $requests), $meanwhile);
    }

    /**
     * Requests of several people at once.
     *
     * @param  list<array{self, string, string, array<string, mixed>}>  $asked
     * @param  \Closure(): void|null  $meanwhile  done once they are on their way
     * @return list<array{status: int, json: array<mixed>, seconds: float, headers: string}> status 0: no answer came
     */
    public static function together(array $asked, ?\Closure $meanwhile = null): array
    {
        $multi = curl_multi_init();
        $handles = array_map(static fn (array $one): \CurlHandle => $one[0]->handle(...array_slice($one, 1)), $asked);
        array_map(static fn (\CurlHandle $handle): int => curl_multi_add_handle($multi, $handle), $handles);
        $done = false;
        do {
            curl_multi_exec($multi, $running);
            if (! $done && $meanwhile !== null) {
                // A few turns, so that the requests have left.
                for ($turn = 0; $turn < 5; $turn++) {
                    curl_multi_select($multi, 0.001);
                    curl_multi_exec($multi, $running);
                }
                $meanwhile();
                $done = true;
            }
            $running > 0 && curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(static fn (array $one, \CurlHandle $handle): array => $one[0]->answer($handle), $asked, $handles);
    }

    /** @param array<string, mixed> $body */
    private function handle(string $method, string $path, array $body): \CurlHandle
    {
        $handle = curl_init("{$this->address}/{$path}") ?: throw new \RuntimeException('No request could be made.');
        $isForm = array_filter($body, static fn (mixed $value): bool => $value instanceof \CURLStringFile) !== [];
        $headers = [...$this->headers, 'Accept: application/json', 'X-XSRF-TOKEN: '.urldecode($this->cookies['XSRF-TOKEN'] ?? ''), 'Cookie: '.implode('; ', array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($this->cookies), $this->cookies))];
        curl_setopt_array($handle, [
            CURLOPT_CUSTOMREQUEST => $method === '' ? 'GET' : $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_TIMEOUT => 60,
            // Names of tests are this machine, and their certificates are their own.
            CURLOPT_RESOLVE => [implode(':', [(string) parse_url($this->address, PHP_URL_HOST), (string) parse_url($this->address, PHP_URL_PORT), '127.0.0.1'])],
            CURLOPT_SSL_VERIFYPEER => false,
            CURLOPT_HTTPHEADER => $isForm || $body === [] ? $headers : [...$headers, 'Content-Type: application/json'],
        ]);
        $body === [] || curl_setopt($handle, CURLOPT_POSTFIELDS, $isForm ? $body : (string) json_encode($body));

        return $handle;
    }

    /** @return array{status: int, json: array<mixed>, seconds: float, headers: string} */
    private function answer(\CurlHandle $handle): array
    {
        $told = (string) curl_multi_getcontent($handle);
        $size = (int) curl_getinfo($handle, CURLINFO_HEADER_SIZE);
        $headers = substr($told, 0, $size);
        preg_match_all('/^Set-Cookie: ([^=]+)=([^;]*)/mi', $headers, $found, PREG_SET_ORDER);
        foreach ($found as [, $name, $value]) {
            $this->cookies[$name] = $value;
        }
        $json = json_decode(substr($told, $size), true);

        return ['status' => curl_errno($handle) === 0 ? (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE) : 0, 'json' => is_array($json) ? $json : [], 'seconds' => (float) curl_getinfo($handle, CURLINFO_TOTAL_TIME), 'headers' => $headers];
    }
}
