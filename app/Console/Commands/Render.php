<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Sentences\Sentence;
use Illuminate\Console\Command;
use Linnet\Core\Record\Facts;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

final class Render extends Command
{
    protected $signature = 'linnet:render {template}
        {--facts= : A JSON file with the values}
        {--at= : The moment of sending, ISO 8601 with an offset}
        {--zone=Europe/London : The receiver\'s time zone}
        {--locale=en_GB : The receiver\'s locale}
        {--json : Print one JSON object}';

    protected $description = 'A text as one receiver would get it';

    public function handle(): int
    {
        $file = (string) $this->input->getOption('facts');
        $facts = is_file($file) ? json_decode((string) file_get_contents($file), true) : ($file === '' ? [] : null);
        $at = Moment::parse((string) $this->input->getOption('at'))?->at;
        $zone = (string) $this->input->getOption('zone');
        $problem = match (true) {
            ! is_array($facts) => "--facts: “{$file}” is no file with a JSON object.",
            $at === null => '--at: give a moment with its offset, such as 2026-03-02T16:20:00Z.',
            ! Zone::exists($zone) => "--zone: “{$zone}” is no time zone. Give one such as Europe/London.",
            default => null,
        };
        if ($problem !== null || ! is_array($facts) || $at === null) {
            $this->components->error((string) $problem);

            return self::INVALID;
        }

        try {
            $text = (new Renderer(Facts::fromJson($facts), $at, $zone, (string) $this->input->getOption('locale')))->render(
                Template::parse((string) $this->input->getArgument('template')),
            );
            $found = ['text' => $text];
        } catch (TemplateError $e) {
            $found = ['problem' => ['at' => $e->at, 'says' => Sentence::of($e->reason())]];
        }
        $this->line($this->option('json')
            ? (string) json_encode($found, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)
            : $found['text'] ?? "At character {$found['problem']['at']}: {$found['problem']['says']}");

        return self::SUCCESS;
    }
}
