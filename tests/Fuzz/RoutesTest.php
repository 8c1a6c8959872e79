<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use App\Actions\Diary\BringDiaries;
use App\Actions\Surveys\KeepSurvey;
use App\Models\Campaign;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route as Routes;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Feature\FeatureTestCase;

/** Every route that takes a body, with bodies nobody should send: an answer in words each time, and the pages still open afterwards. */
final class RoutesTest extends FeatureTestCase
{
    private const TIMES = 7;

    /** Routes that would end the test itself, or that ask others for something. */
    private const NOT = ['sign-out', '{business}/knowledge/pages', '{business}/brief/page', '{business}/errands/openapi'];

    private const PARTS = ['business' => 'pellbrook', 'agent' => 'maren', 'line' => 'main', 'n' => '1', 'number' => '1', 'starter' => 'message', 'step' => 'greeting', 'system' => 'yard', 'campaign' => 'reminders', 'survey' => 'your-cats-stay', 'diary' => 'odo', 'contact' => '1', 'key' => 'kennels', 'id' => '1', 'ref' => 'x', 'question' => 'a'];

    /** Names of fields that forms have, found in the code that reads them. */
    private const FIELDS = ['name', 'key', 'title', 'text', 'json', 'document', 'version', 'agent', 'phone', 'number', 'numbers', 'email', 'password', 'role', 'from', 'to', 'since', 'until', 'start', 'end', 'windows', 'rates', 'questions', 'options', 'fields', 'rules', 'hours', 'closures', 'facts', 'tags', 'kind', 'caller', 'contact', 'placed_at', 'step', 'note', 'accept', 'file', 'files', 'may', 'url', 'hosts', 'words', 'replies', 'objections', 'seed', 'noise', 'callers', 'do', 'field', 'like', 'question', 'outcome', 'service', 'diary', 'moment', 'sheet', 'prompt', 'ways', 'when', 'map', 'by', 'values', 'parameters', 'answer'];

    public function testNoBodyBreaksAPage(): void
    {
        $user = $this->user(Role::Owner)->refresh();
        $this->stands();
        $dice = new Randomizer(new Xoshiro256StarStar(hash('sha256', 'routes|'.(getenv('FUZZ_SEED') ?: '1'), true)));
        $tried = 0;
        $broken = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (! $route instanceof Route || array_intersect($route->methods(), ['POST', 'PUT', 'PATCH', 'DELETE']) === [] || in_array($route->uri(), self::NOT, true) || str_starts_with($route->uri(), '_')) {
                continue;
            }
            $names = self::names($route);
            for ($n = 0; $n < (int) (getenv('FUZZ_TIMES') ?: self::TIMES); $n++) {
                Auth::forgetGuards();
                $this->actingAs($user);
                $address = '/'.(string) preg_replace_callback('/\{(\w+)\??\}/', fn (array $part): string => self::PARTS[$part[1]] ?? '1', $route->uri());
                $method = array_values(array_diff($route->methods(), ['HEAD', 'GET']))[0];
                $body = $this->body($dice, $names);
                $began = microtime(true);
                $response = $dice->getInt(0, 1) === 1 ? $this->json($method, $address, $body) : $this->call($method, $address, array_filter($body, static fn (mixed $one): bool => $one !== null), files: $dice->getInt(0, 3) === 0 ? ['file' => $this->upload($dice)] : []);
                $tried++;
                $told = "{$method} {$address} ".substr((string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 600)."\n".substr((string) ($response->exception?->getMessage()), 0, 400).' '.$response->exception?->getFile().':'.$response->exception?->getLine();
                if ($response->getStatusCode() >= 500 && $response->getStatusCode() !== 503) {
                    // Each place once: what else breaks there is the same.
                    $broken["{$response->exception?->getFile()}:{$response->exception?->getLine()}"] ??= $told;
                }
                self::assertLessThan(5.0, microtime(true) - $began, "too long: {$told}");
            }
        }
        self::assertSame('', implode("\n\n", $broken));
        self::assertGreaterThan(1000, $tried);
        $this->pagesOpen($user);
    }

    private function pagesOpen(\App\Models\User $user): void
    {
        Auth::forgetGuards();
        $this->actingAs($user);
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if ($route instanceof Route && in_array('GET', $route->methods(), true) && preg_match('/^\{business\}(?:\/[a-z-]+)*$/', $route->uri()) === 1) {
                $response = $this->get('/'.str_replace('{business}', 'pellbrook', $route->uri()));
                self::assertLessThan(500, $response->getStatusCode(), $route->uri().' '.$response->exception?->getMessage());
            }
        }
    }

    /** @return list<string> what the code behind a route reads, beside what forms have */
    private static function names(Route $route): array
    {
        $class = explode('@', $route->getActionName())[0];
        $names = self::FIELDS;
        if (class_exists($class)) {
            $code = (string) file_get_contents((string) (new \ReflectionClass($class))->getFileName());
            preg_match_all('/use (App\\\\(?:Support|Actions)\\\\[\\w\\\\]+);/', $code, $used);
            foreach ($used[1] as $other) {
                $code .= class_exists($other) ? (string) file_get_contents((string) (new \ReflectionClass($other))->getFileName()) : '';
            }
            preg_match_all("/'([a-z][a-z_]{1,20})'(?=\\]| =>)/", $code, $found);
            $names = array_values(array_unique([...$found[1], ...$found[1]]));
        }

        return $names === [] ? self::FIELDS : $names;
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, mixed>
     */
    private function body(Randomizer $dice, array $names): array
    {
        $odd = [null, '', ' ', '0', '-1', '99999999999999999999', 'x', str_repeat('y', 3000), "a\0b", "\u{202e}x", '<script>alert(1)</script>', '../../etc', '0000-00-00', '2026-02-30', '2026-03-10', '25:99', '=cmd()', '[caller.name', '{blank}', "'; drop table calls; --", 'http://[::1]/', [], ['x'], [['x']], [['key' => ['y']]], ['a' => ['b' => ['c' => 'd']]], [null], true, false, 0, -1, 1.5, PHP_INT_MAX, "not utf8 \xc3\x28"];
        $body = [];
        for ($n = $dice->getInt(0, 9); $n > 0; $n--) {
            $value = $odd[$dice->getInt(0, count($odd) - 1)];
            $body[$names[$dice->getInt(0, count($names) - 1)]] = is_string($value) && ! mb_check_encoding($value, 'UTF-8') ? mb_scrub($value) : $value;
        }

        return $body;
    }

    private function upload(Randomizer $dice): UploadedFile
    {
        $content = ['', "\0\0\0", '{"a":', '[[[[', "name,phone\n\"x", "BEGIN:VCARD\nFN:x", "BEGIN:VCALENDAR\nBEGIN:VEVENT\n", '%PDF-1.4', 'PK'.$dice->getBytes(30), "id,phone\n1,\xff\xfe", '<html>'.str_repeat('<div>', 2000), 'RIFF....WAVEfmt '][$dice->getInt(0, 11)];

        return UploadedFile::fake()->createWithContent('x.'.['csv', 'json', 'vcf', 'ics', 'pdf', 'html', 'xlsx', 'wav', 'txt'][$dice->getInt(0, 8)], $content);
    }

    private function stands(): void
    {
        app(BringDiaries::class)->bring($this->business, json_decode((string) file_get_contents(database_path('demo/pellbrook/diaries.json')), true));
        app(KeepSurvey::class)->make($this->business, ['title' => 'Your cat’s stay', 'about' => 'x', 'questions' => [['key' => 'a', 'kind' => 'spoken', 'ask' => 'Well?']]], 'Odile', \App\Models\User::query()->firstOrFail());
        Campaign::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'release_id' => $this->agent->releases()->value('id'), 'name' => 'Reminders', 'key' => 'reminders', 'document' => ['key' => 'reminders', 'purpose' => 'x', 'windows' => ['mon' => ['09:00-12:00']], 'start' => '2026-03-02', 'end' => '2026-03-27'], 'lines' => 1, 'a_minute' => 1, 'stops' => [], 'state' => Campaign::MADE, 'clock' => 'real', 'seed' => '1', 'held' => []]);
    }
}
