<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\InMemory;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Text\Wording\Used;

final class InMemoryMessageStore implements MessageStore
{
    /** @var array<string, array<string, int>> by what they are counted under, and wording */
    private array $times = [];

    /** @var array<string, array<string, int>> the same, with the person */
    private array $byPerson = [];

    /**
     * @var array<int, array<string, array<string, array{left: \DateTimeImmutable|null, wanted: \DateTimeImmutable, held: bool}>>> what was
     * said, by person, words and text
     */
    private array $said = [];

    /** @var array<int, list<\DateTimeImmutable>> by person */
    private array $recent = [];

    /** @var list<array{\DateTimeImmutable, int}> */
    private array $spent = [];

    /** @var array<int, int> what was spent since a moment that was asked about */
    private array $sums = [];

    /** @var array<string, list<int>> by line */
    private array $departed = [];

    /** @var array<int, array<string, \DateTimeImmutable>> when each line was last used, by person */
    private array $lines = [];

    /** @var array<string, string> codes given, by list and person */
    private array $codes = [];

    /** @var array<string, int> how many codes of a list are given */
    private array $given = [];

    public function __construct(private readonly Sheet $sheet)
    {
    }

    public function of(Run $run, string $name): ?OutText
    {
        return $this->sheet->texts["$run->id/$name"] ?? null;
    }

    public function save(OutText $text): void
    {
        $this->sheet->texts[($text->run->id ?? '')."/$text->name"] = $text;
        if ($text->origin === TextOrigin::Rule && $text->to->personId !== null && $text->composed !== null) {
            $said = &$this->said[$text->to->personId][$text->composed->words][($text->run->id ?? '')."/$text->name"];
            $said = ['left' => $text->state === TextState::Left ? $text->settledAt : null, 'wanted' => $text->wantedAt, 'held' => false];
        }
        if ($text->state !== TextState::Left || $text->composed === null || $text->settledAt === null) {
            return;
        }
        $person = $text->to->personId;
        if ($text->origin === TextOrigin::Rule && $person !== null) {
            $this->sheet->opened["$person/$text->line"] = true;
            $this->recent[$person] = [$text->settledAt, ...array_slice($this->recent[$person] ?? [], 0, 5000)];
            if ($text->run !== null) {
                $this->sheet->lastTexts[$person][$text->run->ruleId] = $text->settledAt;
            }
            $this->spend($text->settledAt, $text->composed->price);
        }
        if ($person !== null && $text->line !== null) {
            $this->lines[$person][$text->line] = $text->settledAt;
        }
    }

    public function hold(OutText $text, ?\DateTimeImmutable $until): void
    {
        $key = 'text:'.($text->run->id ?? '')."/$text->name";
        $until === null ? $this->sheet->agenda->clear($key) : $this->sheet->agenda->schedule($key, $until);
        $said = $text->composed === null ? null : $this->said[(int) $text->to->personId][$text->composed->words][substr($key, 5)] ?? null;
        if ($said !== null && $text->composed !== null) {
            $this->said[(int) $text->to->personId][$text->composed->words][substr($key, 5)] = ['held' => $until !== null] + $said;
        }
    }

    public function used(string $wordings, ?int $personId, bool $isLimited): Used
    {
        return new Used($this->times[$wordings] ?? [], $this->byPerson["$wordings/$personId"] ?? []);
    }

    public function count(string $wordings, string $wording, ?int $personId, int $by): void
    {
        $this->times[$wordings][$wording] = ($this->times[$wordings][$wording] ?? 0) + $by;
        $this->byPerson["$wordings/$personId"][$wording] = ($this->byPerson["$wordings/$personId"][$wording] ?? 0) + $by;
    }

    public function hasOpened(int $personId, string $line): bool
    {
        return isset($this->sheet->opened["$personId/$line"]);
    }

    public function sameSentAt(int $personId, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $said = array_column($this->said[$personId][$words] ?? [], 'left');
        $left = array_filter($said, fn (?\DateTimeImmutable $at): bool => $at > $since);

        return $left === [] ? null : max($left);
    }

    public function sameHeldSince(OutText $text, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $own = ($text->run->id ?? '')."/$text->name";
        foreach ($this->said[(int) $text->to->personId][$words] ?? [] as $name => $said) {
            if ($name !== $own && $said['held'] && $said['wanted'] > $since && $said['wanted'] <= $text->wantedAt) {
                return $said['wanted'];
            }
        }

        return null;
    }

    public function recent(int $personId, int $many): array
    {
        return array_slice($this->recent[$personId] ?? [], 0, $many);
    }

    public function spentSince(\DateTimeImmutable $since): int
    {
        $key = $since->getTimestamp();
        if (! isset($this->sums[$key])) {
            $this->sums[$key] = 0;
            for ($i = count($this->spent) - 1; $i >= 0 && $this->spent[$i][0] >= $since; $i--) {
                $this->sums[$key] += $this->spent[$i][1];
            }
        }

        return $this->sums[$key];
    }

    private function spend(\DateTimeImmutable $at, int $price): void
    {
        $this->spent[] = [$at, $price];
        foreach ($this->sums as $since => $sum) {
            if ($at->getTimestamp() >= $since) {
                $this->sums[$since] = $sum + $price;
            }
        }
    }

    public function reservedSlots(string $line, array $ks): array
    {
        $departed = $this->departed[$line] ?? [];
        $many = count($departed);
        $back = [];
        foreach ($ks as $k) {
            if ($k <= $many) {
                $back[$k] = $departed[$many - $k];
            }
        }

        return [$back, $many];
    }

    public function reserveSlot(string $line, \DateTimeImmutable $at): void
    {
        $this->departed[$line][] = $at->getTimestamp();
    }

    public function lastLine(int $personId, array $among): ?string
    {
        $lines = $this->lines[$personId] ?? [];
        foreach ($this->sheet->heardLines[$personId] ?? [] as $line => $at) {
            $lines[$line] = max($lines[$line] ?? $at, $at);
        }
        $lines = $among === [] ? $lines : array_intersect_key($lines, array_flip($among));
        if ($lines === []) {
            return null;
        }
        $last = max($lines);

        return array_keys(array_filter($lines, fn (\DateTimeImmutable $at): bool => $at == $last))[0];
    }

    public function code(string $list, int $personId): ?string
    {
        if (! isset($this->codes["$list/$personId"])) {
            $code = $this->sheet->world->codes[$list][$this->given[$list] ?? 0] ?? null;
            if ($code === null) {
                return null;
            }
            $this->given[$list] = ($this->given[$list] ?? 0) + 1;
            $this->codes["$list/$personId"] = $code;
        }

        return $this->codes["$list/$personId"];
    }
}
