<?php

// What is wrong, what is read, and what is said of it: the place, and the sentence.
return [
    'no name' => ['rule', ['name' => ' '], 'name: Some text is expected here.'],
    'a key with a blank' => [
        'rule',
        ['key' => 'two words'],
        'key: A short name is expected here: small letters, digits, hyphens and underscores.',
    ],
    'a trigger nobody has' => [
        'rule',
        ['trigger' => ['on' => 'moon_full']],
        'trigger.on: “moon_full” is not one of: record_added, record_changed, date_reached, gone_quiet, text_received, label_changed, form_sent, calendar, text_fate, started.',
    ],
    'a trigger that lacks its field' => [
        'rule',
        ['trigger' => ['on' => 'date_reached', 'type' => 'booking']],
        ['trigger.field: “field” is missing.', 'trigger.offset: “offset” is missing.'],
    ],
    'a recurrence that is none' => [
        'rule',
        [
            'trigger' => [
                'on' => 'calendar', 'at' => '2026-03-02T10:00', 'recurrence' => 'FREQ=SOMETIMES',
                'audience' => ['of' => 'person', 'condition' => ['all' => []]],
            ],
        ],
        'trigger.recurrence: “FREQ=SOMETIMES” is no recurrence that can be followed. One such as FREQ=MONTHLY;BYDAY=1MO is expected, not oftener than every hour.',
    ],
    'a calendar at no moment' => [
        'rule',
        ['trigger' => ['on' => 'calendar', 'at' => 'noon', 'audience' => ['of' => 'person', 'condition' => ['all' => []]]]],
        'trigger.at: A day and time is expected here, such as 2026-03-14T09:00.',
    ],
    'no words to listen for' => [
        'rule',
        ['trigger' => ['on' => 'text_received', 'words' => []]],
        'trigger.words: Between 1 and 100 items are expected here.',
    ],
    'days the wrong way round' => [
        'rule',
        ['days' => ['first' => '2026-05-02', 'last' => '2026-05-01']],
        'days.last: The last day comes before the first, 2026-05-02.',
    ],
    'days without a number' => ['rule', ['again' => ['policy' => 'not_within']], 'again.days: “days” is missing.'],
    'a test nobody knows' => [
        'rule',
        ['conditions' => ['field' => 'booking.state', 'test' => 'resembles', 'value' => 'x']],
        'conditions.test: “resembles” is not one of: is, is_not, one_of, contains, begins_with, empty, filled, more, less, between, before, after, within_next, within_last, today, weekday.',
    ],
    'a condition of two kinds' => [
        'rule',
        ['conditions' => ['all' => [], 'any' => []]],
        'conditions.any: “any” is not known here. Known are: all. Did you mean “all”?',
    ],
    'more than a word' => [
        'rule',
        ['conditions' => ['field' => 'booking.places', 'test' => 'more', 'value' => 'many']],
        'conditions.value: The test “more” needs another kind of value here: number.',
    ],
    'a weekday that is none' => [
        'rule',
        ['conditions' => ['field' => 'booking.starts_at', 'test' => 'weekday', 'value' => ['funday']]],
        'conditions.value: The test “weekday” needs another kind of value here: weekdays.',
    ],
    'a goal without a time' => ['rule', ['goal' => ['condition' => ['replied' => true]]], 'goal.within: “within” is missing.'],
    'a batch that nobody is asked about' => ['rule', ['release' => ['texts' => 'in_one_batch']], 'release.ask_at: “ask_at” is missing.'],
    'no steps' => ['rule', ['steps' => []], 'steps: Between 1 and 200 items are expected here.'],
    'two steps of one name' => [
        'rule',
        ['steps' => [['id' => 'a', 'do' => 'end', 'outcome' => 'x'], ['id' => 'a', 'do' => 'end', 'outcome' => 'y']]],
        'steps[1].id: Two steps are called “a”. Each needs a name of its own.',
    ],
    'back to a step that is not there' => [
        'rule',
        ['steps' => [['id' => 'a', 'do' => 'repeat', 'to' => 'b', 'times' => 2]]],
        'steps: “a” goes back to “b”, which is no step that stands before it.',
    ],
    'back to a step that comes later' => [
        'rule',
        ['steps' => [['id' => 'a', 'do' => 'repeat', 'to' => 'b', 'times' => 2], ['id' => 'b', 'do' => 'end', 'outcome' => 'x']]],
        'steps: “a” goes back to “b”, which is no step that stands before it.',
    ],
    'a step nobody can do' => [
        'step',
        ['do' => 'sing'],
        'steps[0].do: “sing” is not one of: text, ask, wait, go_on_only_if, branch, change, tell_staff, task, look_up_number, start_rule, stop_rule, call_out, repeat, end.',
    ],
    'a wait for nothing' => ['step', ['do' => 'wait'], 'steps[0]: A wait needs either “for” or “until”, and not both.'],
    'half a minute' => [
        'step',
        ['do' => 'wait', 'for' => ['amount' => 0.5, 'unit' => 'minutes']],
        'steps[0].for.amount: A whole number from 0 to 5256000 is expected here.',
    ],
    'a time of no day' => [
        'step',
        ['do' => 'wait', 'until' => ['time' => '25:00']],
        'steps[0].until.time: A time of day is expected here, such as 09:00.',
    ],
    'a question without answers' => [
        'step',
        [
            'do' => 'ask', 'kind' => 'service', 'from' => ['line' => 'contacted'], 'wordings' => [['id' => 'w', 'text' => 'Yes?']],
            'answers' => [], 'within' => ['amount' => 1, 'unit' => 'hours'],
        ],
        'steps[0].answers: Between 1 and 20 items are expected here.',
    ],
    'an answer of no words' => [
        'step',
        [
            'do' => 'ask', 'kind' => 'service', 'from' => ['line' => 'contacted'], 'wordings' => [['id' => 'w', 'text' => 'Yes?']],
            'answers' => [['label' => 'yes', 'words' => []]], 'within' => ['amount' => 1, 'unit' => 'hours'],
        ],
        'steps[0].answers[0].words: Between 1 and 100 items are expected here.',
    ],
    'a change of nothing' => ['step', ['do' => 'change'], 'steps[0]: This changes nothing. Set a field, or add or remove a tag or list.'],
    'an address that is no address' => [
        'step',
        ['do' => 'call_out', 'address' => 'ftp://books', 'body' => ['a' => 'b']],
        'steps[0].address: An address on the web is expected here, such as https://example.org/.',
    ],
    'told to nobody' => ['step', ['do' => 'tell_staff', 'by' => 'email', 'words' => 'Look'], 'steps[0].to: “to” is missing.'],
    'a kind of text there is not' => ['text', ['kind' => 'gossip'], 'steps[0].kind: “gossip” is not one of: service, marketing.'],
    'no wordings' => ['text', ['wordings' => []], 'steps[0].wordings: Between 1 and 100 items are expected here.'],
    'wordings and a pool' => ['text', ['pool' => 'spring'], 'steps[0].pool: A text has wordings of its own or a shared pool, not both.'],
    'two wordings of one name' => [
        'text',
        ['wordings' => [['id' => 'w', 'text' => 'A'], ['id' => 'w', 'text' => 'B']]],
        'steps[0].wordings: Two wordings are called “w”. Each needs a name of its own.',
    ],
    'a fixed line that is not said' => ['text', ['from' => ['line' => 'fixed']], 'steps[0].from.key: “key” is missing.'],
    'a field left open' => ['words', 'Hello {{ first_name', 'character 6: This field begins with {{ and never ends. Close it with }}.'],
    'nothing between the braces' => [
        'words',
        'Hello {{ }}',
        'character 9: There is no field between {{ and }}. Name one, or take the brackets out.',
    ],
    'a name no field can have' => ['words', 'Hello {{ 1st }}', 'character 9: A field’s name is expected here, not “1st }}”.'],
    'a modifier nobody knows' => [
        'words',
        'Hello {{ first_name | uper }}',
        'character 22: “uper” cannot be done to a value. Did you mean “upper”?',
    ],
    'a modifier that lacks its words' => [
        'words',
        'Hello {{ first_name | or }}',
        'character 25: “or” needs a colon and a value behind it, such as or: "there".',
    ],
    'a format nobody knows' => [
        'words',
        'At {{ booking.starts_at | as: "sundial" }}',
        'character 30: “sundial” is not a way to write a value.',
    ],
    'nothing to pick from' => ['words', '{{ pick: }}', 'character 9: Words in quotes are expected after “pick:”, such as "there".'],
    'no list of codes' => [
        'words',
        '{{ code: welcome }}',
        'character 9: The name of a list of codes in quotes is expected after “code:”, such as "welcome".',
    ],
    'no such day' => [
        'hours',
        ['week' => ['someday' => []]],
        'week.someday: “someday” is not known here. Known are: mon, tue, wed, thu, fri, sat, sun.',
    ],
    'hours that are none' => [
        'hours',
        ['week' => ['mon' => [['9', '17:00']]]],
        'week.mon[0]: Two times are expected here, from and to, such as 09:00 and 18:00.',
    ],
    'a day closed that is none' => [
        'hours',
        ['week' => [], 'closed' => ['2026-02-30']],
        'closed[0]: A day is expected here, such as 2026-12-25.',
    ],
    'a world of another version' => ['world', ['linnet_world' => 2], 'linnet_world: A whole number from 1 to 1 is expected here.'],
    'a world that ends before it begins' => [
        'world',
        ['ends' => '2026-01-01T00:00:00Z'],
        'ends: It ends after it begins, and within five years.',
    ],
    'a world without lines' => ['world', ['lines' => []], 'lines: Between 1 and 200 items are expected here.'],
    'a person without a number that is one' => [
        'world',
        ['people' => [['id' => 'bo', 'numbers' => ['07700']]]],
        'people[0].numbers[0]: A telephone number with its country code is expected here, such as +447700900123.',
    ],
    'a zone nowhere' => [
        'world',
        ['people' => [['id' => 'bo', 'zone' => 'Quay/Side']]],
        'people[0].zone: “Quay/Side” is no time zone. One such as Europe/London is expected.',
    ],
    'a record of no type' => [
        'world',
        ['records' => [['id' => 'x', 'type' => 'whale', 'values' => []]]],
        'records[0].type: “whale” is no type of record here. There are: person, call, booking, basket, order, deal, invoice, job, service_plan.',
    ],
    'an event nobody knows' => [
        'world',
        ['events' => [['at' => '2026-03-03T10:00:00Z', 'what' => 'eclipse']]],
        'events[0].what: “eclipse” is not one of: record, person, text, label, form, fate, start, rule, line, release, stop, wrote, '.
            'give_back, skip, own_text.',
    ],
    'an event of somebody who is not there' => [
        'world',
        ['events' => [['at' => '2026-03-03T10:00:00Z', 'what' => 'text', 'person' => 'zed', 'line' => 'front-desk', 'text' => 'Hi']]],
        'events[0]: “zed” is nobody who is named here.',
    ],
    'a text to a line that is not there' => [
        'world',
        [
            'people' => [['id' => 'bo', 'numbers' => ['+447700900123']]],
            'events' => [['at' => '2026-03-03T10:00:00Z', 'what' => 'text', 'person' => 'bo', 'line' => 'attic', 'text' => 'Hi']],
        ],
        'events[0]: “attic” is no line with a number here, so nobody can write to it.',
    ],
    'a name no sender can have' => [
        'world',
        ['lines' => [['key' => 'n', 'name' => 'Osier Quay Boathouse']]],
        'lines[0].name: “Osier Quay Boathouse” cannot be a sender: up to 11 letters, digits and spaces, with one letter at least.',
    ],
    'a number of words' => ['number', 'call me', '“call me” cannot be read as a telephone number.'],
    'a number too short' => ['number', '077', '“077” is too short or too long for a telephone number.'],
    'a number of no country' => ['number', '+999 1234 5678', '“+999 1234 5678” begins with a country code that no country has.'],
    'a currency of nowhere' => [
        'tariff',
        ['currency' => 'pounds', 'per_part' => [], 'elsewhere' => 1],
        ': A currency of three letters is expected here, such as GBP, or credits.',
    ],
    'a price below nothing' => [
        'tariff',
        ['currency' => 'GBP', 'per_part' => ['GB' => -1], 'elsewhere' => 1],
        'per_part.GB: A whole number from 0 to 1000000000 is expected here.',
    ],
    'a country of three letters' => [
        'tariff',
        ['currency' => 'GBP', 'per_part' => ['GBR' => 1], 'elsewhere' => 1],
        'per_part.GBR: A country of two letters is expected here, such as GB.',
    ],
    'a cap of nothing' => ['policy', ['cap' => ['per_day' => 0]], 'cap.per_day: A whole number from 1 to 1000 is expected here.'],
    'a share above all' => [
        'policy',
        ['health' => ['pause_percent' => 300]],
        'health.pause_percent: A number from 0.1 to 100 is expected here.',
    ],
];
