<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Paper;

use Linnet\Core\Engine\Books\Texts;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Text\Wording\Used;

final class PaperTexts implements Texts
{
    /** @var array<string, array<string, int>> by what they are counted under, and wording */
    private array $times = [];

    /** @var array<string, array<string, int>> the same, with the person */
    private array $byPerson = [];

    /** @var array<string, \DateTimeImmutable> by number and words */
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

    public function keep(OutText $text): void
    {
        $this->sheet->texts[($text->run->id ?? '')."/$text->name"] = $text;
        if ($text->state !== TextState::Left || $text->composed === null || $text->settledAt === null) {
            return;
        }
        $person = $text->to->personId;
        if ($text->origin === Origin::Rule && $person !== null) {
            $this->sheet->opened["$person/$text->line"] = true;
            $this->said["{$text->to->number}/{$text->composed->body}"] = $text->settledAt;
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
        $until === null ? $this->sheet->agenda->clear($key) : $this->sheet->agenda->put($key, $until);
    }

    public function used(string $wordings, ?int $personId): Used
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

    public function sameSentAt(string $number, string $body, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $at = $this->said["$number/$body"] ?? null;

        return $at !== null && $at >= $since ? $at : null;
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

    public function departed(string $line, array $ks): array
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

    public function depart(string $line, \DateTimeImmutable $at): void
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
