<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Sentences\Sentence;
use Illuminate\Console\Command;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;

final class Number extends Command
{
    protected $signature = 'linnet:number {text} {--country=GB : Of numbers without a country code} {--json : Print one JSON object}';

    protected $description = 'What number a written form means';

    public function handle(): int
    {
        try {
            $number = Numbers::read((string) $this->input->getArgument('text'), (string) $this->input->getOption('country'));
            $found = ['e164' => $number->e164, 'kind' => $number->kind->value, 'zones' => $number->zones, 'problem' => null];
        } catch (NotANumber $e) {
            $found = ['e164' => null, 'kind' => 'unknown', 'zones' => [], 'problem' => Sentence::of($e->reason())];
        }
        $this->line($this->option('json')
            ? (string) json_encode($found, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
            : ($found['problem'] ?? "{$found['e164']}, {$found['kind']}, ".implode(', ', $found['zones'])));

        return self::SUCCESS;
    }
}
