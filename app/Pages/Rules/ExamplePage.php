<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use App\Pages\Records\RecordPage;
use App\Rules\WhatIf;
use App\Sentences\Sentence;
use Linnet\Core\Check\BrokenExample;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rehearsal\ExampleRun;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Rule as Core;

/** An example of a rule: who is made up, what happens, what comes, and whether that is what was expected. */
final readonly class ExamplePage
{
    public TimeLine $timeLine;

    /** What comes otherwise than expected, in a sentence; null where nothing does. */
    public ?string $differs;

    /** @var list<string> */
    public array $happens;

    /** @var array<string, string> what texts are called, by their step */
    public array $letters;

    public ?RecordType $type;

    /** @param  int  $number  which it is, from 1 */
    public function __construct(
        public Rule $rule,
        public Core $written,
        public Language $language,
        public int $number,
        public Example $example,
        public ExampleRun $run,
        public Business $business,
    ) {
        $this->type =
            $written->trigger->type() === CoreType::PERSON
                ? null
                : RecordType::query()->with('fields')->firstWhere('key', $written->trigger->type());
        $this->timeLine = new TimeLine(
            $run->rehearsed, $business->gatePolicy()->serviceHours, $example->zone, mb_strtolower($this->type->name ?? 'now', 'UTF-8'),
            $written,
        );
        $differs = BrokenExample::differs($example, $run->came());
        $this->differs = $differs === null ? null : Sentence::of($differs[0]);
        $this->happens = array_map(fn ($one): string => WhatIf::says($language, $written, $one, $business->zone), $example->happens);
        $this->letters = RuleWriter::targets($written)[0];
    }

    /** @return array<string, Field> those that are written here, by key: whom and what a field leads to is nobody made up */
    public static function fields(RecordType $type): array
    {
        return $type->fields
            ->reject(
                fn (Field $field): bool => $field->kind->isReference()
                    || in_array($field->kind, [FieldKind::Phone, FieldKind::Email], true),
            )
            ->keyBy('key')
            ->all();
    }

    /** The form of its record, filled in. */
    public function record(): ?RecordPage
    {
        return $this->type === null
            ? null
            : new RecordPage(
                new Record(['values' => $this->example->record, 'record_type_id' => $this->type->id]),
                $this->type,
                $this->business,
            );
    }
}
