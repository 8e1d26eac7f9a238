<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\RecordType;

final readonly class FormSent implements Trigger
{
    use ByChange;

    public function __construct(public string $form)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'form');

        return new self($doc->name('form'));
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\FormSent && $change->form === $this->form;
    }

    public function names(): array
    {
        return [['form', $this->form]];
    }

    public function type(): string
    {
        return RecordType::PERSON;
    }

    public function toDocument(): array
    {
        return ['on' => 'form_sent', 'form' => $this->form];
    }
}
