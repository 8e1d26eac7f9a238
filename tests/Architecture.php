<?php

declare(strict_types=1);

namespace Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which way the arrows point. Checked by PHPStan, over the code as it stands. */
final class Architecture
{
    public function test_the_core_knows_only_itself_and_the_standards_of_numbers_and_calendars(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Linnet\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Linnet\Core'),
                Selector::inNamespace('libphonenumber'),
                Selector::inNamespace('Sabre\VObject\Recur'),
                Selector::classname('Sabre\VObject\InvalidDataException'),
                Selector::isStandardClass(),
                Selector::inNamespace('/^(?!.*\\\\).+$/', true),
            )
            ->because('what is decided must not depend on where or how it is carried out');
    }

    public function test_the_stand_ins_do_not_know_linnet(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Standins'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Linnet\Core'))
            ->because('they stand for services of others, and speak HTTP');
    }

    public function test_linnet_does_not_know_the_stand_ins(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Linnet\Core'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Standins'))
            ->because('they stand for services of others, and speak HTTP');
    }
}
