<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** A value inside a delivery that can be pointed at. */
final readonly class Leaf
{
    /**
     * @param  string  $name  as its sender calls it
     * @param  string  $shows  its value, or the first few of its values
     * @param  int  $depth  how far inside it lies
     * @param  bool  $isGroup  a list or object that holds others
     */
    public function __construct(public Path $path, public string $name, public string $shows, public int $depth, public bool $isGroup)
    {
    }
}
