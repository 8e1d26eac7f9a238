<?php

declare(strict_types=1);

namespace App\Audiences;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\Labels;
use App\Engine\Store\UnitOfWork;
use App\Intake\ChangeOrigin;
use App\Models\Business;
use App\Models\Staff;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Rule\Audience;
use Psr\Clock\ClockInterface;

/** Puts who belongs to an audience now onto a list, some at a time: what was done twice was done once. */
final class KeepAsList implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    private const AT_ONCE = 500;

    /** @param  array{of: string, condition: array<string, mixed>}  $audience  as it was when it was asked for */
    public function __construct(
        private readonly array $audience,
        private readonly string $list,
        private readonly int $staffId,
        private readonly int $after = 0,
    ) {
    }

    public function handle(ClockInterface $clock, DatabaseSideEffects $sideEffects): void
    {
        $unit = UnitOfWork::reading($clock->now(), $sideEffects, Business::ours());
        $audience = Audience::read(Doc::of($this->audience));
        $query = new AudienceQuery($unit, $audience);
        $ids = $query->after($this->after, self::AT_ONCE);
        $staff = Staff::query()->find($this->staffId);
        if ($ids === [] || $staff === null) {
            return;
        }
        $belong = $query->isKnown() ? $ids : $query->among($ids);
        $people = $query->isOfPeople()
            ? $belong
            : DB::table('records')->whereIntegerInRaw('id', $belong)->distinct()->pluck('person_id')->all();
        DB::transaction(function () use ($people, $staff, $clock): void {
            foreach ($people as $person) {
                Labels::set((int) $person, LabelKind::List, $this->list, true, ChangeOrigin::staff($staff), $clock->now());
            }
        });
        count($ids) === self::AT_ONCE && self::dispatch($this->audience, $this->list, $this->staffId, $ids[self::AT_ONCE - 1]);
    }
}
