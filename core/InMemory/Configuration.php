<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Gate\Policy;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Words\ReservedWords;

/** What is set beforehand and stays as it is on paper: the business and all of it that is nobody's and no record's. */
final readonly class Configuration
{
    /**
     * @param  array<string, RecordType>  $types  by key
     * @param  list<Line>  $lines
     * @param  list<Staff>  $staff
     * @param  array<string, list<Wording>>  $pools
     * @param  array<string, list<string>>  $codes  those that would be given next, by list
     * @param  array<string, bool>  $alive  what a look-up says of a number
     * @param  array<string, Audience>  $audiences  by name
     */
    public function __construct(
        public Business $business,
        public Policy $policy,
        public ReservedWords $words,
        public array $types,
        public array $lines,
        public array $staff,
        public array $pools = [],
        public array $codes = [],
        public array $alive = [],
        public array $audiences = [],
    ) {
    }
}
