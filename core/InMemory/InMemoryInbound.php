<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Context\Reply;
use Linnet\Core\Engine\Hearing;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Record\Change\TextReceived;
use Linnet\Core\Text\Words\Meaning;

/** Takes in a text that somebody writes on paper, and obeys the words that are always obeyed. */
final readonly class InMemoryInbound
{
    public function __construct(private Sheet $sheet, private InMemoryBusinessReader $reader, private Hearing $hearing)
    {
    }

    /**
     * @param  string  $line  key of the line it comes to
     * @param  string  $number  E.164 it comes from
     */
    public function receive(int $personId, string $line, string $number, string $text): void
    {
        $heard = $this->hearing->of($personId, $line, $text);
        $consent = $this->reader->consent($number);
        $this->sheet->consent[$number] = match ($heard->meaning) {
            Meaning::OptOut => ['optedOut' => true, 'mayHaveOptedOut' => false] + $consent,
            Meaning::OptIn => ['optedOut' => false, 'mayHaveOptedOut' => false] + $consent,
            Meaning::LikelyOptOut => ['mayHaveOptedOut' => true] + $consent,
            default => $consent,
        };
        if ($heard->meaning === Meaning::OptOut || $heard->meaning === Meaning::OptIn) {
            $this->sheet->askAgain(fn (OutText $text): bool => $text->to->personId === $personId);
        }
        $reply = new Reply(++$this->sheet->heard, $this->sheet->now, $text, $heard->answer, $heard->remark);
        $this->sheet->heardLines[$personId][$line] = $this->sheet->now;
        if ($heard->question !== null) {
            $this->sheet->put[(int) $heard->question][] = $reply;
        }
        $this->sheet->lastReplyAt[$personId] = $this->sheet->now;
        $this->sheet->happens(new TextReceived($heard->rule, $line, $text, $heard->remark), $personId, null, $line, $number);
    }
}
