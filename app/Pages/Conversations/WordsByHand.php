<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Engine\Store\UnitOfWork;
use App\Models\Line;
use App\Pages\Words\Tokens;
use App\Pages\Words\WordsFor;
use App\Rules\Vocabularies;
use App\Sentences\Sentence;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/**
 * Words that somebody types, to one person or to be kept: their own fields, and those of the record that is meant, else of the
 * newest of theirs of each type.
 */
final class WordsByHand implements WordsFor
{
    private readonly ?Receiver $receiver;

    private ?Vocabulary $vocabulary = null;

    /** @var array<string, int|null> the record it is about, by type */
    private array $abouts = [];

    /** @var array<string, EvaluationContext> by record type */
    private array $contexts = [];

    /**
     * @param  int|null  $person  whom they are for, or tried on; null where there is nobody
     * @param  Line|null  $line  the one it is to leave from
     * @param  int|null  $record  the one of theirs that it is about
     * @param  \DateTimeImmutable  $at  when they are read
     * @param  string|null  $number  the one of theirs it goes to; null for the preferred one
     */
    public function __construct(
        private readonly UnitOfWork $unit,
        private readonly ?int $person,
        private readonly ?Line $line,
        private readonly ?int $record,
        private readonly \DateTimeImmutable $at,
        ?string $number = null,
    ) {
        $them = $person === null ? null : $unit->reader->person($person);
        $this->receiver = $them === null ? null : $unit->contexts->stillReceiver($them, $number);
    }

    public function vocabulary(): Vocabulary
    {
        return $this->vocabulary ??= Vocabularies::ours();
    }

    public function tokens(): Tokens
    {
        return new Tokens($this->vocabulary(), RecordType::PERSON);
    }

    /** Those of which they have a record; all of them where it is for whoever comes. */
    public function types(): array
    {
        $types = array_values(array_diff(array_keys($this->vocabulary()->types), [RecordType::PERSON]));

        $isTheirs = fn (string $type): bool => $this->about($type) !== null;

        return $this->person === null ? $types : array_values(array_filter($types, $isTheirs));
    }

    public function hasLinks(): bool
    {
        return false;
    }

    public function who(): ?string
    {
        return $this->receiver?->who;
    }

    public function result(Node $node): string
    {
        try {
            return $this->render(Template::parse($node->written()));
        } catch (TemplateError) {
            return '';
        }
    }

    /** @return array{string, string|null} the words filled in; and why they could not be, as a sentence */
    public function filled(string $words): array
    {
        $wrong = HandWords::wrong($words);
        if ($wrong !== null) {
            return ['', $wrong];
        }
        try {
            return [$this->render(Template::parse($words)), null];
        } catch (TemplateError $e) {
            return ['', Sentence::of($e->reason()->toArray())];
        }
    }

    /**
     * As they are sent.
     *
     * @throws ValidationException where they cannot be
     */
    public function body(string $typed): string
    {
        $words = trim(str_replace("\r\n", "\n", $typed));
        if (! str_contains($words, '{{')) {
            return $words;
        }
        [$body, $wrong] = $this->filled($words);

        return $wrong === null ? $body : throw ValidationException::withMessages(['text' => $wrong]);
    }

    /** @throws TemplateError where something is missing */
    private function render(Template $template): string
    {
        if ($this->receiver === null) {
            return '';
        }
        $type = RecordType::PERSON;
        foreach ($template->fields() as $field) {
            $named = (string) strtok($field->path, '.');
            if (str_contains($field->path, '.') && isset($this->vocabulary()->types[$named])) {
                $type = $named;

                break;
            }
        }

        return (new Renderer(
            $this->context($type)->facts, $this->at, $this->receiver->zone, $this->receiver->locale,
            $this->unit->reader->business()->tariff->currency, "kept/$this->person",
        ))->render($template);
    }

    private function context(string $type): EvaluationContext
    {
        return $this->contexts[$type] ??= $this->unit->contexts->create(
            new Subject((int) $this->person, $type === RecordType::PERSON ? null : $this->about($type)), $this->line?->key,
            lastTexts: false,
        );
    }

    /** Of their records of a type the one that is meant, else the newest. */
    private function about(string $type): ?int
    {
        if (array_key_exists($type, $this->abouts)) {
            return $this->abouts[$type];
        }
        $theirs = array_column($this->unit->reader->recordsOf((int) $this->person, $type), 'id');
        $meant = $this->record === null ? null : $this->unit->reader->record($this->record);
        if ($meant?->type->key === $type && in_array($this->person, $meant->values, true)) {
            $theirs[] = $meant->id;
        }

        return $this->abouts[$type] = in_array($this->record, $theirs, true) ? $this->record : $theirs[0] ?? null;
    }
}
