<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Rule;
use App\Pages\Rules\RulePages;
use App\Pages\Words\Fillings;
use App\Pages\Words\TokenPage;
use App\Pages\Words\Tokens;
use App\Rules\TriedWords;
use App\Sentences\Misread;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\PlainTwin;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** The words of a text while they are written. */
final class RuleWordsController
{
    /** How a text would read with the words being typed. */
    public function preview(Request $request, Rule $rule, RulePages $pages): View
    {
        $said = $request->validate(['step' => 'nullable|string|max:60', 'text' => 'present|nullable|string|max:2000']);
        $words = self::lines($said['text'] ?? '');
        $page = $pages->of($rule, $request->integer('sample') ?: null);
        $plain = PlainTwin::of($words);
        $text = $problem = null;
        try {
            isset($said['step'])
                ? ($text = $page->textWith(TriedWords::in($page->written, $said['step'], $words), $said['step']))
                : Template::parse($words);
        } catch (Unreadable $e) {
            $problem = implode(' ', array_map(fn (Problem $problem): string => Misread::ofWords($problem->reason), $e->problems));
        } catch (TemplateError $e) {
            $problem = Misread::ofWords($e->reason());
        }

        return view('rules.preview', [
            'tokens' => $page->tokens()->in($words), 'plain' => $plain === $words ? null : $plain, 'receiver' => $page->receiver,
            'text' => $text, 'problem' => $problem, 'isText' => isset($said['step']),
            'else' => $text === null && $problem === null ? $page->elsewise($words) : null,
        ]);
    }

    /** How long it is for all whom the rule reaches today. */
    public function bounds(Request $request, Rule $rule, RulePages $pages): Response
    {
        $said = $request->validate(['step' => 'required|string|max:60', 'text' => 'present|nullable|string|max:2000']);
        try {
            $template = Template::parse(self::lines($said['text'] ?? ''));
        } catch (TemplateError) {
            return new Response('');
        }

        return new Response(e($pages->boundsSaid($rule, $template, $said['step'])));
    }

    /** What can be filled in, with the sample's values. */
    public function fields(Request $request, Rule $rule, RulePages $pages): JsonResponse
    {
        return new JsonResponse((new Fillings($pages->asked($rule, $request)))->offered());
    }

    /** One thing that is filled in: its choices, each with what it comes to. */
    public function token(Request $request, Rule $rule, RulePages $pages): View
    {
        $said = $request->validate(TokenPage::RULES);
        $page = $pages->asked($rule, $request);
        $node = Tokens::node($said['token']) ?? abort(404);

        return view('words.token', [
            'one' => TokenPage::chosen($node, $page, $said),
            'fillings' => new Fillings($page),
            'tokens' => $page->tokens(),
        ]);
    }

    private static function lines(string $text): string
    {
        return str_replace("\r\n", "\n", $text);
    }
}
