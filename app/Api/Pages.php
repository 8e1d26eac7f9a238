<?php

declare(strict_types=1);

namespace App\Api;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** A list in pages: each names the next by a cursor, which stays good while things come and go. */
final class Pages
{
    /**
     * @template M of Model
     *
     * @param  Builder<M>  $query
     * @param  callable(M): array<string, mixed>  $shape
     */
    public static function of(Request $request, Builder $query, callable $shape): JsonResponse
    {
        $said = $request->validate(['limit' => 'integer|min:1|max:200', 'cursor' => 'string|max:60', 'order' => 'in:newest,oldest']);
        $limit = (int) ($said['limit'] ?? 50);
        $oldest = ($said['order'] ?? 'newest') === 'oldest';
        if (isset($said['cursor'])) {
            $id = (string) base64_decode(strtr($said['cursor'], '-_', '+/'), true);
            if (preg_match('/^after:(\d{1,18})$/', $id, $found) !== 1) {
                throw ValidationException::withMessages(['cursor' => 'This is no cursor. Take the one an answer gave as next.']);
            }
            $query->where('id', $oldest ? '>' : '<', (int) $found[1]);
        }
        $items = $query->orderBy('id', $oldest ? 'asc' : 'desc')->limit($limit + 1)->get();
        $page = $items->take($limit);
        $last = $page->last()?->getKey();

        return new JsonResponse([
            'data' => $page->map($shape)->values()->all(),
            'next' => $items->count() > $limit && is_int($last) ? rtrim(strtr(base64_encode("after:$last"), '+/', '-_'), '=') : null,
        ], 200, [], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
