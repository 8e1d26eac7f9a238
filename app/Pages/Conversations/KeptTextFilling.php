<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Line;
use App\Models\Person;
use App\Models\RecordType;
use App\Sentences\Sentence;
use Linnet\Core\Check\KnownFields;
use Linnet\Core\Context\Subject;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Psr\Clock\ClockInterface;

/** The words of a kept text for somebody: its fields filled in as they would be in a rule's text to them now. */
final readonly class KeptTextFilling
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    /** Why a text cannot be kept; null where it can. */
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

    /**
     * @param  Line|null  $line  the one it is to leave from
     * @param  int|null  $record  the one of theirs that it is about
     * @return array{string, string|null} the words; and why they could not be filled in, as a sentence
     */
    public function for(Person $person, ?Line $line, string $body, ?int $record = null): array
    {
        try {
            $template = Template::parse($body);
            $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
            $them = $unit->reader->person($person->id) ?? throw new \LogicException('it was just loaded');
            $to = $unit->contexts->receiver($them);
            $about = $this->about($unit, $person->id, $template, $record);
            $context = $unit->contexts->create(new Subject($person->id, $about), $line?->key, lastTexts: false);
            $business = $unit->reader->business();

            return [
                (new Renderer($context->facts, $unit->now, $to->zone, $to->locale, $business->tariff->currency, "kept/$person->id"))
                    ->render($template),
                null,
            ];
        } catch (TemplateError $e) {
            return ['', Sentence::of($e->reason()->toArray())];
        }
    }

    /**
     * What is known of them, as a text would say it: their own fields, then those of the record that is meant, or of the newest of
     * each type.
     *
     * @return list<array{string, string}> what it is called, and its value
     */
    public function values(Person $person, ?int $record = null): array
    {
        $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
        $them = $unit->reader->person($person->id) ?? throw new \LogicException('it was just loaded');
        $to = $unit->contexts->receiver($them);
        $currency = $unit->reader->business()->tariff->currency;
        $values = [];
        $add = function (string $called, string $path, Facts $facts) use (&$values, $unit, $to, $currency): void {
            try {
                $words = (new Renderer($facts, $unit->now, $to->zone, $to->locale, $currency, 'by hand'))
                    ->render(Template::parse('{{ '.$path.' }}'));
                trim($words) === '' || $values[] = [$called, $words];
            } catch (TemplateError) {
                // What is not there is not offered.
            }
        };
        $own = $unit->contexts->create(new Subject($person->id), lastTexts: false)->facts;
        foreach (Vocabulary::PERSON as $key => [$called]) {
            $add($called, $key, $own);
        }
        foreach ($unit->reader->types() as $key => $type) {
            if ($key === CoreType::PERSON) {
                foreach ($type->fields as $field) {
                    $add($field->noun(), $field->key, $own);
                }

                continue;
            }
            $theirs = array_column($unit->reader->recordsOf($person->id, $key), 'id');
            if ($theirs === [] || ($record !== null && ! in_array($record, $theirs, true))) {
                continue;
            }
            $facts = $unit->contexts->create(new Subject($person->id, $record ?? $theirs[0]), lastTexts: false)->facts;
            foreach ($type->fields as $field) {
                $field->key === $type->personField || $field->kind === FieldKind::LongText ||
                    $add(mb_strtolower($type->name, 'UTF-8').', '.$field->noun(), "$key.$field->key", $facts);
            }
        }

        return $values;
    }

    /** Of their records of the type that the text speaks of the one that is meant, else the newest. */
    private function about(UnitOfWork $unit, int $person, Template $template, ?int $meant): ?int
    {
        $types = $unit->reader->types();
        foreach ($template->fields() as $field) {
            $type = (string) strtok($field->path, '.');
            if (str_contains($field->path, '.') && isset($types[$type])) {
                $theirs = array_column($unit->reader->recordsOf($person, $type), 'id');

                return in_array($meant, $theirs, true) ? $meant : $theirs[0] ?? null;
            }
        }

        return null;
    }
}
