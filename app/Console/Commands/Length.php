<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Linnet\Core\Text;

final class Length extends Command
{
    protected $signature = 'linnet:length {text} {--json : Print one JSON object}';

    protected $description = 'How long a text is on the air';

    public function handle(): int
    {
        $text = (string) $this->input->getArgument('text');
        if (! mb_check_encoding($text, 'UTF-8')) {
            $this->components->error('The text is not UTF-8.');

            return self::INVALID;
        }
        $length = Text\Length::of($text);
        $this->option('json')
            ? $this->line(
                (string) json_encode(
                    [
                        'encoding' => $length->encoding->value, 'units' => $length->units, 'parts' => $length->parts,
                        'left' => $length->left, 'culprits' => $length->culprits, 'as_sent' => Text\Length::split($text),
                    ],
                    JSON_UNESCAPED_UNICODE,
                ),
            )
            : $this->line(
                "{$length->encoding->value}: $length->units units, $length->parts parts, $length->left left".
                    ($length->culprits === [] ? '' : ', because of '.implode(' ', $length->culprits)),
            );

        if ($length->parts > 1 && ! $this->option('json')) {
            $this->line(implode("\n", array_map(fn (string $part): string => "| $part", Text\Length::split($text))));
        }

        return self::SUCCESS;
    }
}
