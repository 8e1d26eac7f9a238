<?php

declare(strict_types=1);

namespace Demo\Season;

/** What people write back to a text, and how long they take; and what the front desk answers them. */
final class Answers
{
    private const WORDS = [
        'YES or CANCEL' => ['YES', 'yes', 'Yes!', 'Yes please', 'cancel', 'Is parking free on the day?'],
        'YES or LATER' => ['YES', 'Later', 'later, away until April', 'yes'],
        'was that YES' => ['yes', 'yes sorry'],
        'missed your call' => [
            'Do you hire by the half day?', 'Can two of us join on Saturday?', 'It was about my invoice, all fine now',
            'What do I bring for the taster?', 'Wanted to ask about gift cards',
        ],
        'How was' => ['Lovely, thank you', 'Wet and brilliant', 'Great lesson, Tom is very patient', 'Cold but good'],
        'Does that suit you' => ['That suits, thanks', 'Could it be an hour later?'],
        'We missed you' => ['So sorry, I had a flat tyre. Another day?', 'We had the wrong week'],
        'is mended' => ['On my way this afternoon', 'Thank you'],
        'the offer' => ['Looking at it with the team', 'Could we do a Friday?'],
        'is still in your basket' => ['Is it also there in size L?', 'Not today, thanks'],
    ];

    private const FROM_THE_DESK = [
        'Yes, that works. See you on the quay.', 'Of course. We have written it down.', 'We are open till six, come by.',
        'Thank you, that is kind.', 'We will ring you about it this afternoon.',
    ];

    /** @return array{int, string}|null after how many minutes, and what; null if they say nothing */
    public static function to(string $body, string $number): ?array
    {
        $about = crc32($body).$number;
        $minutes = 5 + 5 * intdiv(Chance::below(9, 'soon', $about) ** 2, 4);
        if (Chance::below(1000, 'stop', $about) < 6) {
            return [$minutes, Chance::of(['STOP', 'Stop', 'please stop texting me'], 'how', $about)];
        }
        foreach (self::WORDS as $words => $answers) {
            if (str_contains($body, $words)) {
                return Chance::percent(str_contains($words, 'YES') ? 82 : 34, 'answers', $about)
                    ? [$minutes, Chance::of($answers, 'answer', $about)]
                    : null;
            }
        }

        return Chance::percent(3, 'kayak', $about)
            ? [$minutes, Chance::of(['KAYAK', 'Kayak Saturday', 'level', 'HELP'], 'word', $about)]
            : null;
    }

    /** @return array{int, string} after how many minutes, and what */
    public static function fromTheDesk(string $text, int $about): array
    {
        return [
            5 + 5 * Chance::below(10, 'desk', $about),
            str_contains(mb_strtolower($text, 'UTF-8'), 'thank') ? self::FROM_THE_DESK[3] : Chance::of(self::FROM_THE_DESK, 'from', $about),
        ];
    }
}
