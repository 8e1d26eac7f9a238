<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Api\Pages;
use App\Api\Shapes;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule as OneOf;
use Linnet\Core\Record\RecordType as CoreType;

/** What can be read over the API and not changed there. */
final class ReadController
{
    public function types(): JsonResponse
    {
        return new JsonResponse([
            'data' => RecordType::query()
                ->where('key', '!=', CoreType::PERSON)
                ->with('fields')
                ->orderBy('key')
                ->get()
                ->map(Shapes::type(...))
                ->all(),
        ]);
    }

    public function changes(Request $request): JsonResponse
    {
        $said = $request->validate(['record_id' => 'integer', 'person_id' => 'integer', 'kind' => [OneOf::enum(ChangeKind::class)]]);

        return Pages::of($request, $this->narrow(Change::query(), $said, ['record_id', 'person_id', 'kind']), Shapes::change(...));
    }

    public function texts(Request $request): JsonResponse
    {
        $said = $request->validate([
            'person_id' => 'integer', 'rule_id' => 'integer', 'run_id' => 'integer', 'state' => [OneOf::enum(MessageState::class)],
        ]);

        return Pages::of(
            $request,
            $this->narrow(Message::query()->with('line'), $said, ['person_id', 'rule_id', 'run_id', 'state']),
            Shapes::text(...),
        );
    }

    public function text(Message $text): JsonResponse
    {
        return new JsonResponse(Shapes::text($text));
    }

    public function rules(Request $request): JsonResponse
    {
        return Pages::of($request, Rule::query()->with('version'), Shapes::rule(...));
    }

    public function rule(Rule $rule): JsonResponse
    {
        return new JsonResponse(Shapes::rule($rule));
    }

    public function runs(Request $request): JsonResponse
    {
        $said = $request->validate(['rule_id' => 'integer', 'person_id' => 'integer', 'live' => 'in:true,false']);
        $query = $this->narrow(Run::query()->with('version'), $said, ['rule_id', 'person_id']);
        if (isset($said['live'])) {
            $query->where('live', $said['live'] === 'true');
        }

        return Pages::of($request, $query, Shapes::run(...));
    }

    public function run(Run $run): JsonResponse
    {
        return new JsonResponse(Shapes::run($run->load('version')));
    }

    /**
     * @template M of \Illuminate\Database\Eloquent\Model
     *
     * @param  Builder<M>  $query
     * @param  array<string, mixed>  $said
     * @param  list<string>  $columns
     * @return Builder<M>
     */
    private function narrow(Builder $query, array $said, array $columns): Builder
    {
        foreach ($columns as $column) {
            if (isset($said[$column])) {
                $query->where($column, $said[$column]);
            }
        }

        return $query;
    }
}
