<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\ReadRule;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Rule\Rule;

/** A changed text read again as the same rule: what stands where it stood, or was only moved or reworded, keeps its ids. */
final class Rereading
{
    /** What no id of a rule can begin with. */
    private const MINT = 'new/';

    /** @var array<string, string> the id a step had, by the one it was given now */
    private array $ids = [];

    /** @var array<string, array<array-key, mixed>> the steps there were, by id */
    private array $steps = [];

    private int $minted = 0;

    private function __construct(private readonly Rule $rule, private readonly RuleText $before)
    {
        $this->collect($rule->toDocument()['steps'] ?? []);
    }

    /** @param  list<TextLine>  $lines */
    public static function of(Language $language, Rule $rule, RuleText $before, array $lines): ReadRule
    {
        $reader = new RuleReader($language, self::MINT);
        $document = $reader->document(RuleText::join($lines));
        if ($reader->errors() !== []) {
            return new ReadRule(null, $reader->errors());
        }
        $head = array_intersect_key($rule->toDocument(), ['name' => 1, 'key' => 1, 'folder' => 1]);

        // Its examples are not among its sentences: they stay as they are.
        $examples = array_intersect_key($rule->toDocument(), ['examples' => 1]);

        return $reader->checked((new self($rule, $before))->restored($head + $document + $examples, $reader->lines(), $lines));
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @param  array<string, int>  $places  the line, from 1, of each place
     * @param  list<TextLine>  $lines
     * @return array<array-key, mixed>
     */
    private function restored(array $document, array $places, array $lines): array
    {
        $this->match($document['steps'] ?? [], '$.steps', $places, $lines);
        $document['steps'] = $this->renamed($document['steps'] ?? []);

        return $document;
    }

    /**
     * Which step was which: those of a line that stood before, in their order and by what they do.
     *
     * @param  array<string, int>  $places
     * @param  list<TextLine>  $lines
     */
    private function match(mixed $steps, string $path, array $places, array $lines): void
    {
        foreach (is_array($steps) ? $steps : [] as $i => $step) {
            if (! is_array($step) || ! is_string($step['id'] ?? null)) {
                continue;
            }
            $at = "{$path}[$i]";
            $was = $lines[($places[$at] ?? 0) - 1]->was ?? null;
            $sentence = $was === null ? null : $this->before->sentences[$was] ?? null;
            foreach ($sentence !== null && $sentence->kind === LineKind::Steps ? $sentence->steps : [] as $old) {
                if (! in_array($old, $this->ids, true) && ($this->steps[$old]['do'] ?? null) === ($step['do'] ?? '')) {
                    $this->ids[$step['id']] = $old;
                    break;
                }
            }
            foreach (self::inside($step) as $where => $inner) {
                $this->match($inner, "$at.$where", $places, $lines);
            }
        }
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return iterable<string, mixed>
     */
    private static function inside(array $step): iterable
    {
        foreach (['answers', 'cases'] as $several) {
            foreach (is_array($step[$several] ?? null) ? $step[$several] : [] as $i => $one) {
                yield "{$several}[$i].steps" => is_array($one) ? $one['steps'] ?? [] : [];
            }
        }
        yield 'otherwise' => $step['otherwise'] ?? [];
        yield 'no_answer' => $step['no_answer'] ?? [];
    }

    private function collect(mixed $steps): void
    {
        foreach (is_array($steps) ? $steps : [] as $step) {
            if (is_array($step) && is_string($step['id'] ?? null)) {
                $this->steps[$step['id']] = $step;
                foreach (self::inside($step) as $inner) {
                    $this->collect($inner);
                }
            }
        }
    }

    /** @return list<mixed> */
    private function renamed(mixed $steps): array
    {
        $renamed = [];
        foreach (is_array($steps) ? $steps : [] as $step) {
            if (! is_array($step) || ! is_string($step['id'] ?? null)) {
                continue;
            }
            $id = $this->ids[$step['id']] ??= $this->fresh();
            $step = ['id' => $id] + $this->withWordings($step, $id);
            if (is_string($step['to'] ?? null)) {
                $step['to'] = $this->ids[$step['to']] ?? $step['to'];
            }
            foreach (['answers', 'cases'] as $several) {
                if (is_array($step[$several] ?? null)) {
                    $step[$several] = array_map(
                        fn (mixed $one): mixed => is_array($one) && isset($one['steps'])
                            ? ['steps' => $this->renamed($one['steps'])] + $one
                            : $one,
                        $step[$several],
                    );
                }
            }
            foreach (['otherwise', 'no_answer'] as $where) {
                if (isset($step[$where])) {
                    $step[$where] = $this->renamed($step[$where]);
                }
            }
            $renamed[] = $step;
        }

        return $renamed;
    }

    /**
     * A wording keeps its id while its words or its place stay.
     *
     * @param  array<array-key, mixed>  $step
     * @return array<array-key, mixed>
     */
    private function withWordings(array $step, string $id): array
    {
        $old = $this->steps[$id] ?? [];
        $were = array_values(array_filter(is_array($old['wordings'] ?? null) ? $old['wordings'] : [], is_array(...)));
        $now = array_values(array_filter(is_array($step['wordings'] ?? null) ? $step['wordings'] : [], is_array(...)));
        $kept = [];
        foreach (['text', 'place'] as $by) {
            foreach ($now as $i => $one) {
                foreach ($were as $k => $was) {
                    $same = $by === 'text' ? ($was['text'] ?? null) === ($one['text'] ?? '') : $i === $k && count($were) === count($now);
                    if (! isset($kept[$i]) && $same && ! in_array($was['id'] ?? null, $kept, true)) {
                        $kept[$i] = $was['id'] ?? null;
                    }
                }
            }
        }
        foreach ($now as $i => $one) {
            for ($n = $i + 1; ! isset($kept[$i]); $n++) {
                $kept[$i] = in_array("$id-$n", [...$kept, ...array_column($were, 'id')], true) ? null : "$id-$n";
            }
            $now[$i]['id'] = $kept[$i];
        }
        $closing = is_array($step['closing'] ?? null)
            ? ['closing' => ['id' => is_array($old['closing'] ?? null) ? $old['closing']['id'] ?? "$id-end" : "$id-end"] + $step['closing']]
            : [];

        return ($now === [] ? [] : ['wordings' => $now]) + $closing + $step;
    }

    private function fresh(): string
    {
        do {
            $id = 's'.(++$this->minted);
        } while (isset($this->steps[$id]) || in_array($id, $this->ids, true));

        return $id;
    }
}
