<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Rules\Vocabularies;
use App\Sentences\Sentence;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rule\Rule;

/** A rule as the text that Linnet can read, and back: a file that can be printed, compared, sent by mail and pasted. */
final class Prose extends Command
{
    protected $signature = 'linnet:prose
        {rule? : A rule document, to be written in sentences}
        {--read= : A file of sentences, to be read as a rule document}
        {--world= : A world document whose types, lines and people the sentences name; otherwise the database}
        {--json : Print what could not be understood as JSON}';

    protected $description = 'Write a rule in sentences, or read one from them';

    public function handle(): int
    {
        $read = $this->input->getOption('read');
        $rule = $this->input->getArgument('rule');
        if (is_string($read) === is_string($rule)) {
            $this->components->error('Give a rule document, or a file of sentences behind --read.');

            return self::FAILURE;
        }
        try {
            $language = new Language($this->vocabulary());

            return is_string($read) ? $this->read($language, $read) : $this->write($language, is_string($rule) ? $rule : '');
        } catch (Unreadable $e) {
            return $this->refuse(
                array_map(
                    fn ($problem): array => [
                        'path' => $problem->path,
                        'code' => $problem->reason->code,
                        'says' => Sentence::of($problem->reason),
                    ],
                    $e->problems,
                ),
            );
        } catch (QueryException) {
            $this->components->error('The database cannot be read. Give a world document behind --world.');

            return self::FAILURE;
        }
    }

    private function write(Language $language, string $file): int
    {
        $this->output->write((new RuleWriter($language))->text(Rule::read(self::document($file))));

        return self::SUCCESS;
    }

    private function read(Language $language, string $file): int
    {
        $text = is_file($file) ? (string) file_get_contents($file) : throw Unreadable::at($file, 'no_file');
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw Unreadable::at($file, 'not_utf8');
        }
        $read = (new RuleReader($language))->read($text);
        if ($read->rule !== null) {
            $this->output->write($read->rule->toJson());

            return self::SUCCESS;
        }

        return $this->refuse(
            array_map(
                fn (ProseError $error): array => array_filter(
                    [
                        'line' => $error->line, 'column' => $error->column, 'code' => $error->reason->code,
                        'says' => Sentence::of($error->reason), 'understood' => $error->reason->with['understood'] ?? null,
                        'expected' => $error->reason->with['expected'] ?? null, 'nearest' => $error->reason->with['nearest'] ?? null,
                    ],
                    fn (mixed $value): bool => $value !== null,
                ),
                $read->errors,
            ),
        );
    }

    private function vocabulary(): Vocabulary
    {
        $world = $this->input->getOption('world');

        return is_string($world) ? Vocabularies::of(World::read(self::document($world))) : Vocabularies::ours();
    }

    /** @param  list<array<string, mixed>>  $errors */
    private function refuse(array $errors): int
    {
        if ($this->input->getOption('json')) {
            $this->line(
                json_encode(
                    ['errors' => $errors],
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
                ),
            );

            return self::FAILURE;
        }
        foreach ($errors as $error) {
            $place = isset($error['line'], $error['column']) ? "line {$error['line']}, character {$error['column']}" : $error['path'] ?? '';
            $this->components->error((is_string($place) ? $place : '').': '.(is_string($error['says']) ? $error['says'] : ''));
        }

        return self::FAILURE;
    }

    /** @throws Unreadable */
    private static function document(string $file): Doc
    {
        return is_file($file) ? Doc::fromJson((string) file_get_contents($file)) : throw Unreadable::at($file, 'no_file');
    }
}
