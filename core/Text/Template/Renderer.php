<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Modifier;
use Linnet\Core\Text\Template\Node\ModifierName;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;

/** Fills a template in for one receiver at one moment. */
final readonly class Renderer
{
    private ValueWriter $writer;

    /**
     * @param  \DateTimeImmutable  $now  the moment of sending
     * @param  string  $zone  the receiver's IANA time zone
     * @param  string  $locale  BCP 47 or ICU locale
     * @param  string  $currency  ISO 4217 of amounts that name none
     * @param  string  $seed  decides between alternatives; the same seed decides the same
     * @param  Links  $links  where short links are made
     */
    public function __construct(
        private Values $facts,
        \DateTimeImmutable $now,
        string $zone,
        string $locale,
        string $currency = 'GBP',
        private string $seed = '',
        public Links $links = new Links,
    ) {
        $this->writer = new ValueWriter($now, $zone, $locale, $currency);
    }

    /** @throws TemplateError where a value is missing with nothing to say instead, or cannot be written as asked */
    public function render(Template $template): string
    {
        $text = '';
        foreach ($template->nodes as $node) {
            $text .= match (true) {
                $node instanceof Words => $node->words,
                $node instanceof MergeField => $this->field($node),
                $node instanceof Link => $this->link($node),
                $node instanceof Code => $this->code($node),
                $node instanceof Pick => $node->choices[crc32($this->seed.'/'.$node->at) % count($node->choices)],
            };
        }

        return $text;
    }

    private function field(MergeField $field): string
    {
        $value = $this->facts->at($field->path);
        $text = null;
        foreach ($field->modifiers as $modifier) {
            if ($text === null && ! self::isMissing($value)) {
                if ($modifier->name === ModifierName::As) {
                    $text = $this->writer->as($value, (string) $modifier->argument, $modifier->at, $field->path);

                    continue;
                }
                $text = $modifier->name === ModifierName::Or ? null : $this->writer->plain($value);
            }
            if ($modifier->name === ModifierName::Or) {
                $text ??= self::isMissing($value) ? (string) $modifier->argument : null;
            } elseif ($text !== null) {
                $text = self::change($text, $modifier);
            }
        }

        if ($text === null && self::isMissing($value)) {
            throw TemplateError::at($field->at, 'missing', ['field' => $field->path]);
        }

        return $text ?? $this->writer->plain($value);
    }

    private function link(Link $link): string
    {
        $target = $this->facts->at($link->path);
        if (! is_string($target) || self::isMissing($target)) {
            throw TemplateError::at($link->at, 'missing', ['field' => $link->path]);
        }

        return $this->links->shorten($target, "$this->seed/$link->at");
    }

    private function code(Code $code): string
    {
        $value = $this->facts->at("codes.$code->list");

        return is_string($value) ? $value : throw TemplateError::at($code->at, 'no_code', ['list' => $code->list]);
    }

    private static function change(string $text, Modifier $modifier): string
    {
        return match ($modifier->name) {
            ModifierName::Upper => mb_strtoupper($text, 'UTF-8'),
            ModifierName::Lower => mb_strtolower($text, 'UTF-8'),
            ModifierName::Title => mb_convert_case($text, MB_CASE_TITLE, 'UTF-8'),
            ModifierName::Limit => rtrim((string) grapheme_substr($text, 0, (int) $modifier->argument)),
            ModifierName::Or, ModifierName::As => $text,
        };
    }

    private static function isMissing(mixed $value): bool
    {
        return $value === null || $value === [] || (is_string($value) && preg_match('/^[\s\p{Z}\p{Cf}]*$/u', $value) === 1);
    }
}
