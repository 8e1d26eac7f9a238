<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Setup\Setup;
use App\Setup\SetupForm;
use Illuminate\Console\Command;
use Illuminate\Validation\ValidationException;

final class Install extends Command
{
    protected $signature = 'linnet:install
        {--business= : What the business is called}
        {--country= : ISO 3166 code of the country it is in, such as GB}
        {--zone= : Its time zone, such as Europe/London}
        {--currency= : ISO 4217 code of its currency, such as GBP}
        {--name= : The first administrator’s name}
        {--email= : The email address they log in with}
        {--password= : Their password; asked for where it is left out}';

    protected $description = 'Set up an empty Linnet: the business and its first administrator';

    private const ASKED = [
        'business' => 'What is the business called?', 'country' => 'Which country is it in? (such as GB)',
        'zone' => 'Its time zone? (such as Europe/London)', 'currency' => 'Its currency? (such as GBP)', 'name' => 'Your name?',
        'email' => 'Your email address?', 'password' => 'A password to log in with?',
    ];

    public function handle(): int
    {
        if (Setup::isDone()) {
            $this->error('Linnet is set up already: somebody can log in. Nothing was changed.');

            return self::FAILURE;
        }
        $said = [];
        foreach (self::ASKED as $key => $question) {
            $given = $this->option($key);
            $said[$key] = match (true) {
                is_string($given) => $given,
                ! $this->input->isInteractive() => '',
                $key === 'password' => (string) $this->secret($question),
                default => (string) $this->ask($question),
            };
        }
        $said['country'] = strtoupper($said['country']);
        $said['currency'] = strtoupper($said['currency']);
        try {
            $staff = Setup::run(SetupForm::read($said));
        } catch (ValidationException $e) {
            foreach ($e->errors() as $key => $words) {
                $this->error("--$key: ".implode(' ', array_unique($words)));
            }

            return self::FAILURE;
        }
        if ($staff === null) {
            $this->error('Somebody else has just set it up. Nothing was changed.');

            return self::FAILURE;
        }
        $this->info("{$said['business']} is there, and $staff->name may log in as $staff->email at ".config()->string('app.url').'/log-in');

        return self::SUCCESS;
    }
}
