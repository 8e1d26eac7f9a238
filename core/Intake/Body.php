<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/**
 * Opens what was posted: JSON, a form, or a CloudEvent (CloudEvents 1.0, HTTP binding: structured, or binary with ce- headers).
 *
 * A CloudEvent becomes one tree either way: its attributes by name, and its payload under "data".
 */
final class Body
{
    private const DEPTH = 40;

    /**
     * @param  array<string, string>  $headers  by name in small letters
     *
     * @throws Refused
     */
    public static function open(string $body, array $headers): Opened
    {
        $type = strtolower(trim(explode(';', $headers['content-type'] ?? '')[0]));
        if ($body === '') {
            throw Refused::because('empty');
        }
        if (str_starts_with($type, 'application/cloudevents-batch')) {
            throw Refused::because('batch');
        }
        $text = self::decode($body, $headers['content-type'] ?? '', $type);
        $tree = match (true) {
            $type === ''
                || $type === 'application/json'
                || $type === 'text/json'
                || $type === 'text/plain'
                || str_ends_with($type, '+json') => self::json($text),
            $type === 'application/x-www-form-urlencoded' => self::form($text),
            default => throw Refused::because('content_type', ['written' => mb_substr(mb_scrub($type, 'UTF-8'), 0, 80, 'UTF-8')]),
        };
        $messageId = $headers['webhook-id'] ?? null;
        if (isset($headers['ce-specversion'])) {
            $tree = self::attributes($headers) + ['data' => $tree];
        }
        if (is_array($tree) && is_string($tree['specversion'] ?? null) && is_string($tree['id'] ?? null)) {
            $messageId ??= (is_string($tree['source'] ?? null) ? $tree['source'] : '').'#'.$tree['id'];
            if (is_string($tree['data_base64'] ?? null)) {
                $tree['data'] = self::json((string) base64_decode($tree['data_base64'], true));
            }
        }

        return new Opened(
            $tree,
            $messageId === null || trim($messageId) === '' ? null : mb_substr(mb_scrub(trim($messageId), 'UTF-8'), 0, 200, 'UTF-8'),
        );
    }

    /** Text in UTF-8, whatever it was written in. */
    private static function decode(string $body, string $header, string $type): string
    {
        $charset = preg_match('/charset\s*=\s*"?([\w.:-]{1,40})/i', $header, $found) === 1 ? strtoupper($found[1]) : '';
        $mark = match (true) {
            str_starts_with($body, "\xEF\xBB\xBF") => 'UTF-8',
            str_starts_with($body, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($body, "\xFE\xFF") => 'UTF-16BE',
            default => null,
        };
        $from = $mark ?? ($charset === '' || $charset === 'UTF8' ? 'UTF-8' : $charset);
        if (
            ! in_array(
                $from, array_map(strtoupper(...), [...mb_list_encodings(), 'ISO-8859-1', 'WINDOWS-1252', 'US-ASCII', 'UTF-16']), true,
            )
        ) {
            throw Refused::because('charset', ['written' => $from]);
        }
        $text = $from === 'UTF-8' ? $body : (string) mb_convert_encoding($body, 'UTF-8', $from);
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        if ($type !== 'application/x-www-form-urlencoded' && ! mb_check_encoding($text, 'UTF-8')) {
            throw Refused::because('body_not_utf8');
        }

        return $text;
    }

    private static function json(string $text): mixed
    {
        try {
            return json_decode($text, true, self::DEPTH, JSON_THROW_ON_ERROR | JSON_BIGINT_AS_STRING);
        } catch (\JsonException $e) {
            throw Refused::because($e->getCode() === JSON_ERROR_DEPTH ? 'too_deep' : 'not_json', ['most' => self::DEPTH]);
        }
    }

    /** @return array<array-key, mixed> */
    private static function form(string $text): array
    {
        if (substr_count($text, '&') > 900) {
            throw Refused::because('too_many_values', ['most' => 900]);
        }
        if (
            max(array_map(fn (string $pair): int => substr_count(rawurldecode(explode('=', $pair, 2)[0]), '['), explode('&', $text))) >
            self::DEPTH
        ) {
            throw Refused::because('too_deep', ['most' => self::DEPTH]);
        }
        parse_str($text, $values);
        array_walk_recursive($values, function (mixed $value, int|string $key): void {
            if (! mb_check_encoding((string) $key, 'UTF-8') || (is_string($value) && ! mb_check_encoding($value, 'UTF-8'))) {
                throw Refused::because('body_not_utf8');
            }
        });

        return $values === [] ? throw Refused::because('empty') : $values;
    }

    /**
     * @param  array<string, string>  $headers
     * @return array<string, string>
     */
    private static function attributes(array $headers): array
    {
        $attributes = [];
        foreach ($headers as $name => $value) {
            if (str_starts_with($name, 'ce-')) {
                $attributes[substr($name, 3)] = mb_scrub(rawurldecode($value), 'UTF-8');
            }
        }

        return $attributes;
    }
}
