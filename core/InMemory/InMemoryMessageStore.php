<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Text\Wording\Used;

final readonly class InMemoryMessageStore implements MessageStore
{
    private MessageHistory $history;

    public function __construct(private Sheet $sheet)
    {
        $this->history = $sheet->history;
    }

    public function of(Run $run, string $name): ?OutText
    {
        return $this->sheet->texts["$run->id/$name"] ?? null;
    }

    public function save(OutText $text): void
    {
        $this->sheet->texts[($text->run->id ?? '')."/$text->name"] = $text;
        if ($text->origin === TextOrigin::Rule && $text->to->personId !== null && $text->composed !== null) {
            $said = &$this->history->said[$text->to->personId][md5($text->composed->words)][($text->run->id ?? '')."/$text->name"];
            $said = ['left' => $text->state === TextState::Left ? $text->settledAt : null, 'wanted' => $text->wantedAt, 'held' => false];
        }
        if ($text->state !== TextState::Left || $text->composed === null || $text->settledAt === null) {
            return;
        }
        $this->sheet->departures[] = $text;
        $person = $text->to->personId;
        if ($text->origin === TextOrigin::Rule && $person !== null) {
            $this->sheet->opened["$person/$text->line"] = true;
            $this->history->recent[$person] = [$text->settledAt, ...array_slice($this->history->recent[$person] ?? [], 0, 5000)];
            if ($text->run !== null) {
                $this->sheet->lastTexts[$person][$text->run->ruleId] = $text->settledAt;
            }
            $this->spend($text->settledAt, $text->composed->price);
        }
        if ($person !== null && $text->line !== null) {
            $this->history->lines[$person][$text->line] = $text->settledAt;
        }
    }

    public function hold(OutText $text, ?\DateTimeImmutable $until): void
    {
        $key = 'text:'.($text->run->id ?? '')."/$text->name";
        $until === null ? $this->sheet->agenda->clear($key) : $this->sheet->agenda->schedule($key, $until);
        $hash = $text->composed === null ? '' : md5($text->composed->words);
        $said = $this->history->said[(int) $text->to->personId][$hash][substr($key, 5)] ?? null;
        if ($said !== null) {
            $this->history->said[(int) $text->to->personId][$hash][substr($key, 5)] = ['held' => $until !== null] + $said;
        }
    }

    public function used(string $wordings, ?int $personId, bool $isLimited): Used
    {
        return new Used($this->history->times[$wordings] ?? [], $this->history->byPerson["$wordings/$personId"] ?? []);
    }

    public function count(string $wordings, string $wording, ?int $personId, int $by): void
    {
        $this->history->times[$wordings][$wording] = ($this->history->times[$wordings][$wording] ?? 0) + $by;
        $this->history->byPerson["$wordings/$personId"][$wording] = ($this->history->byPerson["$wordings/$personId"][$wording] ?? 0) + $by;
    }

    public function hasOpened(int $personId, string $line): bool
    {
        return isset($this->sheet->opened["$personId/$line"]);
    }

    public function sameSentAt(int $personId, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $said = array_column($this->history->said[$personId][md5($words)] ?? [], 'left');
        $left = array_filter($said, fn (?\DateTimeImmutable $at): bool => $at > $since);

        return $left === [] ? null : max($left);
    }

    public function sameHeldSince(OutText $text, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $own = ($text->run->id ?? '')."/$text->name";
        foreach ($this->history->said[(int) $text->to->personId][md5($words)] ?? [] as $name => $said) {
            if ($name !== $own && $said['held'] && $said['wanted'] > $since && $said['wanted'] <= $text->wantedAt) {
                return $said['wanted'];
            }
        }

        return null;
    }

    public function recent(int $personId, int $many): array
    {
        return array_slice($this->history->recent[$personId] ?? [], 0, $many);
    }

    public function spentSince(\DateTimeImmutable $since): int
    {
        $key = $since->getTimestamp();
        if (! isset($this->history->sums[$key])) {
            $this->history->sums[$key] = 0;
            for ($i = count($this->history->spent) - 1; $i >= 0 && $this->history->spent[$i][0] >= $since; $i--) {
                $this->history->sums[$key] += $this->history->spent[$i][1];
            }
        }

        return $this->history->sums[$key];
    }

    private function spend(\DateTimeImmutable $at, int $price): void
    {
        $this->history->spent[] = [$at, $price];
        foreach ($this->history->sums as $since => $sum) {
            if ($at->getTimestamp() >= $since) {
                $this->history->sums[$since] = $sum + $price;
            }
        }
    }

    public function reservedSlots(string $line, array $ks): array
    {
        $departed = $this->history->departed[$line] ?? [];
        $known = count($departed);
        $back = [];
        foreach ($ks as $k) {
            if ($k <= $known) {
                $back[$k] = $departed[$known - $k];
            }
        }

        return [$back, $known + ($this->history->departedBefore[$line] ?? 0)];
    }

    public function reserveSlot(string $line, \DateTimeImmutable $at): void
    {
        $this->history->departed[$line][] = $at->getTimestamp();
    }

    public function lastLine(int $personId, array $among): ?string
    {
        $lines = $this->history->lines[$personId] ?? [];
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
        if (! isset($this->history->codes["$list/$personId"])) {
            $code = $this->sheet->configuration->codes[$list][$this->history->given[$list] ?? 0] ?? null;
            if ($code === null) {
                return null;
            }
            $this->history->given[$list] = ($this->history->given[$list] ?? 0) + 1;
            $this->history->codes["$list/$personId"] = $code;
        }

        return $this->history->codes["$list/$personId"];
    }
}
