<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Database\Like;
use App\Models\Role;
use App\Models\Staff;
use App\Outside\Mailbox;
use App\Staff\Members;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Who works with Linnet, and what they may. */
final class StaffController
{
    public function index(Request $request): View
    {
        $find = (string) ($request->validate(['find' => 'nullable|string|max:80'])['find'] ?? '');

        return view('staff.index', [
            'members' => Staff::query()
                ->when($find !== '', fn ($query) => $query->where(
                    fn (Builder $any) => Like::any($any, ['name', 'email'], $find),
                ))
                ->orderByRaw('off_at is not null')
                ->orderBy('name')
                ->orderBy('id')
                ->simplePaginate(30)
                ->withQueryString(),
            'find' => $find, 'roles' => Role::cases(), 'heirs' => Staff::query()->whereNull('off_at')->orderBy('name')->get(['id', 'name']),
            'mailIsThere' => Mailbox::isThere(), 'me' => Staff::asking($request),
        ]);
    }

    public function store(Request $request, Members $members): RedirectResponse
    {
        $isNew = fn (string $key, mixed $email, \Closure $fail) => ! is_string($email)
            || Staff::query()->where('email', mb_strtolower($email, 'UTF-8'))->doesntExist()
            || $fail('Somebody has that address already.');
        $said = $request->validate(
            [
                'name' => 'required|string|max:80', 'role' => ['required', Rule::enum(Role::class)],
                'email' => ['required', 'email', 'max:120', $isNew],
            ],
            [
                'name.required' => 'Say who it is.', 'role.*' => 'Choose what they may.',
                'email.required' => 'Give the email address they log in with.', 'email.email' => 'That is no email address.',
            ],
        );
        $staff = $members->add($said['name'], $said['email'], Role::from((string) $said['role']));

        return $this->invited($staff, $members->invite($staff));
    }

    public function update(Request $request, Staff $member, Members $members): RedirectResponse
    {
        $said = $request->validate([
            'do' => 'required|in:role,invite,off,on', 'role' => ['required_if:do,role', 'nullable', Rule::enum(Role::class)],
            'heir' => ['nullable', 'integer', Rule::exists('staff', 'id')->whereNull('off_at')->whereNot('id', $member->id)],
        ]);
        $role = Role::tryFrom((string) ($said['role'] ?? ''));
        $loses = $said['do'] === 'off' || ($said['do'] === 'role' && $role?->administers() === false);
        if ($loses && $members->isLastAdministrator($member)) {
            throw ValidationException::withMessages([
                "member-$member->id" => "$member->name is the only administrator. Make somebody else one first.",
            ]);
        }
        if ($said['do'] === 'invite') {
            return $this->invited($member, $members->invite($member));
        }
        match ($said['do']) {
            'role' => $member->update(['role' => $role]),
            'off' => $members->switchOff($member, Staff::query()->whereKey($said['heir'] ?? 0)->first()),
            default => $members->switchOn($member),
        };

        return redirect()->route('staff.index')->with('done', match ($said['do']) {
            'role' => "$member->name is ".self::called($role).' now.',
            'off' => "$member->name cannot log in any more.",
            default => "$member->name may log in again.",
        });
    }

    private static function called(?Role $role): string
    {
        return match ($role) {
            Role::Administrator => 'an administrator', Role::Operator => 'an operator', Role::Agent => 'an agent', default => 'a viewer',
        };
    }

    private function invited(Staff $staff, string $link): RedirectResponse
    {
        return redirect()->route('staff.index')->with('invitation', ['to' => $staff->name, 'link' => $link, 'email' => $staff->email]);
    }
}
