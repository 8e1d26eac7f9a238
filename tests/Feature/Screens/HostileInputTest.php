<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Api\Ability;
use App\Models\Form;
use App\Models\Message;
use App\Models\Role;
use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;
use Illuminate\Routing\Route as Routed;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Feature\TestCase;

/** What no form of ours sends, but anybody can. */
final class HostileInputTest extends TestCase
{
    use EveryRoute;

    public function testSeveralThingsWhereOneIsAskedForBreakNothing(): void
    {
        $this->oneOfEach();
        $this->actingAs($this->staff(Role::Administrator));
        $broken = $tried = [];
        foreach ($this->ownRoutes() as $route) {
            if (! in_array('GET', $route->methods(), true)) {
                continue;
            }
            foreach (self::asking((string) $this->get($this->urlOf($route))->getContent()) as $name => [$method, $url, $fields]) {
                foreach (array_diff_key(isset($tried[$name]) ? [] : $fields, ['_token' => 1, '_method' => 1]) as $field => $_) {
                    $said = [$field => ['a' => ['b' => 'x']]] + $fields;
                    DB::beginTransaction();
                    $status = $this->call($method, $url, self::nested($said))->getStatusCode();
                    DB::rollBack();
                    $status < 500 || $broken[] = "$name: $field";
                }
                $tried[$name] = true;
            }
        }

        self::assertGreaterThan(80, count($tried));
        self::assertSame([], $broken);
    }

    public function testNoAddressThatNamesNothingBreaksAnything(): void
    {
        $this->oneOfEach();
        $this->actingAs($this->staff(Role::Administrator));
        $abilities = array_column(Ability::cases(), 'value');
        $token = $this->staff(Role::Administrator)->createToken('Website', $abilities)->plainTextToken;
        $broken = [];
        $api = array_filter(Route::getRoutes()->getRoutes(), fn (Routed $route): bool => str_starts_with($route->uri(), 'api/v1/'));
        foreach ([...$api, ...$this->ownRoutes()] as $route) {
            $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
            foreach ($route->parameterNames() === [] ? [] : ['x', '0', '99999999999999999999', '%C3%28'] as $name) {
                $url = url(preg_replace('/\{[^}]+\}/', $name, $route->uri()) ?? '');
                DB::beginTransaction();
                $status = $this->call($method, $url, server: ['HTTP_AUTHORIZATION' => "Bearer $token"])->getStatusCode();
                DB::rollBack();
                $status < 500 || $broken[] = "$method $url";
            }
        }

        self::assertSame([], $broken);
    }

    public function testWhatIsNotWrittenInUtf8OrHoldsAZeroByteIsUnderstood(): void
    {
        Form::query()->create(['key' => 'hire', 'name' => 'Hire', 'power' => 'on']);
        $this->post('/f/hire', ['name' => "Zo\xE9\0", 'number' => '07700 900555'])->assertRedirect();

        self::assertSame('Zoé', $this->person('+447700900555')->first_name);
        $this->textFrom(self::WEN, "See\0 you");
        self::assertSame('See you', Message::query()->where('person_id', $this->person(self::WEN)->id)->sole()->body);
    }

    /** @return array<string, array{string, string, array<string>}> what a page asks for: how, where, and what its fields hold */
    private static function asking(string $page): array
    {
        if (! str_contains($page, '<')) {
            return [];
        }
        $document = new DOMDocument;
        $document->loadHTML("<?xml encoding='utf-8'?>$page", LIBXML_NOERROR);
        $path = new DOMXPath($document);
        $asking = [];
        foreach (self::elements($path, '//form | //a[@href]', $document) as $one) {
            [$url, $query] = [...explode('?', $one->getAttribute($one->nodeName === 'a' ? 'href' : 'action'), 2), ''];
            parse_str($query, $fields);
            if (! str_starts_with($url, url('/')) || str_contains($url, '/log-out')) {
                continue;
            }
            $fields = array_filter($fields, is_string(...));
            foreach (self::elements($path, './/*[@name and @name != ""]', $one) as $field) {
                $fields[$field->getAttribute('name')] = $field->getAttribute('value');
            }
            $method = strtoupper($fields['_method'] ?? ($one->getAttribute('method') ?: 'GET'));
            $asking["$method ".preg_replace('/\d+/', 'N', $url).' '.implode(',', array_keys($fields))] ??= [$method, $url, $fields];
        }

        return $asking;
    }

    /** @return list<DOMElement> */
    private static function elements(DOMXPath $path, string $which, DOMNode $within): array
    {
        $found = [...($path->query($which, $within) ?: [])];

        return array_values(array_filter($found, fn (object $one): bool => $one instanceof DOMElement));
    }

    /**
     * @param  array<array-key, mixed>  $fields
     * @return array<array-key, mixed> as the names of the fields have it, brackets and all
     */
    private static function nested(array $fields): array
    {
        $nested = [];
        parse_str(http_build_query($fields), $nested);

        return $nested;
    }
}
