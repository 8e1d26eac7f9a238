<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Person;
use App\Models\RecordType;
use App\Sentences\Sentence;
use Linnet\Core\Check\KnownFields;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Psr\Clock\ClockInterface;

/** What words typed by hand may say, and to whom. */
final readonly class HandWords
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /** Why words cannot be sent or kept; null where they can. */
    public static function wrong(string $body): ?string
    {
        try {
            $template = Template::parse($body);
        } catch (TemplateError $e) {
            return Sentence::of($e->reason()->toArray());
        }
        $known = new KnownFields(RecordType::query()->with('fields')->get()->map(fn (RecordType $type) => $type->read()));
        foreach ($template->nodes as $node) {
            if ($node instanceof MergeField && ($wrong = $known->wrong($node->path)) !== null) {
                return Sentence::of($wrong->toArray());
            }
            if (! ($node instanceof Words || $node instanceof MergeField || $node instanceof Pick)) {
                return 'Short links and codes are for the texts of rules.';
            }
        }

        return null;
    }

    /** For somebody, about one of their records where it is said; as they read it at a moment, else now. */
    public function for(
        Person $person,
        ?Line $line = null,
        ?int $record = null,
        ?\DateTimeImmutable $at = null,
        ?string $number = null,
    ): WordsByHand {
        $now = $this->clock->now();

        return new WordsByHand(UnitOfWork::reading($now, $this->sideEffects), $person->id, $line, $record, $at ?? $now, $number);
    }

    /** To be kept: tried on whoever was spoken with first. */
    public function kept(): WordsByHand
    {
        $now = $this->clock->now();
        $first = Conversation::query()->orderBy('id')->value('person_id');

        return new WordsByHand(UnitOfWork::reading($now, $this->sideEffects), is_numeric($first) ? (int) $first : null, null, null, $now);
    }
}
