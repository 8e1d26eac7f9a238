<?php

declare(strict_types=1);

namespace App\Audiences;

use App\Sentences\Sentence;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience;

/** An audience in the words of rules: "everybody who has the tag ...", "the guest of every booking whose start is ...". */
final class AudienceSentence
{
    /**
     * @param  bool  $isKept  under a name; it may not name others then
     * @return Audience|string what is wrong, with its place
     */
    public static function read(Language $language, string $sentence, bool $isKept = false): Audience|string
    {
        $plain = preg_replace('/[\s.:]+$/uD', '', trim($sentence)) ?? '';
        $read = Sentences::read($language->line(CoreType::PERSON, '', 'audience'), $plain);
        if ($read instanceof ProseError) {
            return "Character $read->column: ".Sentence::of($read->reason);
        }
        try {
            return $isKept ? Audience::read(Doc::of($read)) : Audience::once(Doc::of($read));
        } catch (Unreadable $e) {
            return Sentence::of($e->problems[0]->reason);
        }
    }

    public static function write(Language $language, Audience $audience): string
    {
        return Part::join(Sentences::write($language->line(CoreType::PERSON, '', 'audience'), $audience->toDocument()));
    }
}
