<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Docs\SchemaPage;
use Illuminate\Console\Command;

/** Writes the pages that explain our documents, from their schemas. */
final class Reference extends Command
{
    public const PAGES = ['rule-1', 'world-1'];

    protected $signature = 'linnet:reference';

    protected $description = 'Write the reference pages of the document formats anew';

    protected $hidden = true;

    public function handle(): int
    {
        foreach (self::PAGES as $page) {
            file_put_contents(base_path("docs/formats/$page.md"), self::page($page));
            $this->line("docs/formats/$page.md");
        }

        return self::SUCCESS;
    }

    public static function page(string $name): string
    {
        /** @var array<string, mixed> $schema */
        $schema = json_decode((string) file_get_contents(base_path("docs/formats/$name.schema.json")), true, 64, JSON_THROW_ON_ERROR);

        return SchemaPage::of($schema, "$name.schema.json");
    }
}
