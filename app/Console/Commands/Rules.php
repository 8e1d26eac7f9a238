<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Engine\Runner;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Rule;
use App\Rules\Checking;
use App\Rules\Publishing;
use App\Sentences\Sentence;
use Illuminate\Console\Command;
use Illuminate\Support\Str;
use Linnet\Core\Check\Finding;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** Rules as documents: out into a folder, in from files, or only read to see what is wrong with them. */
final class Rules extends Command
{
    protected $signature = 'linnet:rules
        {what : export, import or check}
        {paths* : A folder to export into; files or folders to import or check}
        {--on : Switch what is imported on; otherwise it is published and off}';

    protected $description = 'Export, import or check rule documents';

    public function handle(ClockInterface $clock, Runner $runner): int
    {
        /** @var non-empty-list<string> $paths */
        $paths = (array) $this->argument('paths');

        return match ($this->argument('what')) {
            'export' => $this->export($paths[0]),
            'import' => $this->import($this->files($paths), $clock->now(), $runner),
            'check' => $this->check($this->files($paths), $clock->now()),
            default => $this->refuse('Say export, import or check.'),
        };
    }

    private function export(string $folder): int
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o755, true)) {
            return $this->refuse("The folder $folder cannot be made.");
        }
        foreach (Rule::query()->with('version')->orderBy('name')->lazy(100) as $rule) {
            $file = $folder.'/'.($rule->key ?? (Str::slug($rule->name) ?: "rule-$rule->id")).'.json';
            file_put_contents($file, $rule->written()->toJson());
            $this->line($file);
        }

        return self::SUCCESS;
    }

    /** @param  list<string>  $files */
    private function import(array $files, \DateTimeImmutable $now, Runner $runner): int
    {
        if ($this->check($files) === self::FAILURE) {
            $this->components->error('Nothing was taken in.');

            return self::FAILURE;
        }
        foreach ($files as $file) {
            $read = Core::fromJson((string) file_get_contents($file));
            $rule =
                ($read->key === null ? null : Rule::query()->firstWhere('key', $read->key)) ??
                Rule::query()->create(['name' => $read->name, 'power' => ActivationState::Paused]);
            if ($rule->version?->read()->toJson() !== $read->toJson()) {
                Publishing::publish($rule, $read, null, false, $now);
            }
            if ($this->input->getOption('on') && $rule->power !== ActivationState::On) {
                $runner->switchOn($rule->refresh());
            }
            $this->line("$read->name: ".($rule->refresh()->power === ActivationState::On ? 'on' : 'off'));
        }

        return self::SUCCESS;
    }

    /** @param  list<string>  $files */
    private function check(array $files, ?\DateTimeImmutable $now = null): int
    {
        $wrong = 0;
        foreach ($files as $file) {
            try {
                $read = Core::fromJson((string) @file_get_contents($file));
                $wrong += $now === null ? 0 : $this->findingsOf($file, $read, $now);
            } catch (Unreadable $e) {
                foreach ($e->problems as $problem) {
                    $this->components->error("$file, at $problem->path: ".Sentence::of($problem->reason));
                    $wrong++;
                }
            }
        }

        return $wrong === 0 && $files !== [] ? self::SUCCESS : self::FAILURE;
    }

    /** What the page would say of it. */
    private function findingsOf(string $file, Core $read, \DateTimeImmutable $now): int
    {
        $itself = $read->key === null ? null : Rule::query()->firstWhere('key', $read->key);
        $findings = Checking::of($read, UnitOfWork::reading($now, resolve(DatabaseSideEffects::class)), $itself);
        foreach ($findings as $finding) {
            $says = $file.($finding->step === null ? '' : ", step $finding->step").': '.Sentence::of($finding->reason);
            $finding->blocks ? $this->components->error($says) : $this->components->warn($says);
        }
        if ($findings === []) {
            $this->line("$file: well");
        }

        return count(array_filter($findings, fn (Finding $one): bool => $one->blocks));
    }

    /**
     * @param  list<string>  $paths
     * @return list<string>
     */
    private function files(array $paths): array
    {
        return array_merge(
            ...array_map(fn (string $path): array => is_dir($path) ? (glob(rtrim($path, '/').'/*.json') ?: []) : [$path], $paths),
        );
    }

    private function refuse(string $problem): int
    {
        $this->components->error($problem);

        return self::FAILURE;
    }
}
