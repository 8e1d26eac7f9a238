<?php

// The sentence of every reason the core gives: what is so, with the values of that moment, and what to do where something can be done.
return [
    'number' => [
        'country' => '“:country” is no country code. Two letters are expected, such as GB.',
        'empty' => 'No number was given.',
        'withheld' => 'The number was withheld, so there is nobody to text.',
        'several' => '“:written” holds more than one number. Give one.',
        'country_code' => '“:written” begins with a country code that no country has.',
        'unreadable' => '“:written” cannot be read as a telephone number.',
        'length' => '“:written” is too short or too long for a telephone number.',
    ],

    'template' => [
        'not_utf8' => 'The text holds bytes that are no characters. Type it again.',
        'unclosed' => 'This field begins with {{ and never ends. Close it with }}.',
        'empty' => 'There is no field between {{ and }}. Name one, or take the brackets out.',
        'not_a_field' => 'A field’s name is expected here, not “:found”.',
        'unknown_tag' => '“:name:” is not something a text can do. Fields are written {{ name }}, alternatives {{ pick: "one" / "two" }}.',
        'quote_expected' => 'Words in quotes are expected after “:after:”, such as "there".',
        'modifier_expected' => 'After | comes what to do with the value: or, as, upper, lower, title or limit.',
        'unknown_modifier' => '“:name” cannot be done to a value.:nearest',
        'argument_expected' => '“:name” needs a colon and a value behind it, such as :name: "there".',
        'number_expected' => 'A number from 1 to 9999 is expected after “:after:”.',
        'unclosed_quote' => 'This quote is never closed.',
        'close_expected' => 'The field should end here with }}.',
        'unknown_format' => '“:name” is not a way to write a value.:nearest',
        'missing' => 'There is no value for “:field”, and the text gives nothing to say instead.',
        'not_a_date' => '“:field” is “:value”, which is no date, so it cannot be written as “:format”.',
        'no_time' => '“:field” is a day with no time, so it cannot be written as “:format”.',
        'not_a_number' => '“:field” is “:value”, which is no number, so it cannot be written as “:format”.',
    ],

    'document' => [
        'not_json' => 'This is not JSON: :detail.',
        'unknown_key' => '“:key” is not known here. Known are: :known.:nearest',
        'text_expected' => 'Some text is expected here.',
        'too_long' => 'This is longer than the :most characters allowed.',
        'name_expected' => 'A short name is expected here: small letters, digits, hyphens and underscores.',
        'integer_expected' => 'A whole number from :least to :most is expected here.',
        'yes_no_expected' => 'true or false is expected here.',
        'not_one_of' => '“:written” is not one of: :known.:nearest',
        'list_expected' => 'A list is expected here.',
        'count_expected' => 'Between :least and :most items are expected here.',
        'missing' => '“:key” is missing.',
        'object_expected' => 'An object with named values is expected here.',
        'day_expected' => 'A day is expected here, such as 2026-12-25.',
        'stretch_expected' => 'Two times are expected here, from and to, such as 09:00 and 18:00.',
        'value_expected' => 'A text, a number or true or false is expected here.',
        'condition_expected' => 'A condition is expected here: all, any, none, field, hours or replied.',
        'field_expected' => '“:written” cannot be a field’s name.',
        'test_value' => 'The test “:test” takes another kind of value (:takes).',
        'for_or_until' => 'A wait needs either “for” or “until”, and not both.',
        'time_expected' => 'A time of day is expected here, such as 09:00.',
        'step_twice' => 'Two steps are called “:id”. Each needs a name of its own.',
    ],

    'condition' => [
        'nothing_asked' => 'Nothing more was asked.',
        'open' => 'It was within opening hours (:at).',
        'closed' => 'It was outside opening hours (:at).',
        'replied' => ':who replied at :at.',
        'not_replied' => ':who has not replied.',
        'is_empty' => 'The :field is empty.',
        'value' => 'The :field is “:value”.',
        'unknown' => 'The :field is not known.',
        'other_kind' => 'The :field is “:value”, which cannot be compared that way.',
    ],

    'start' => [
        'nobody' => 'Not started: nobody is known to text.',
        'opted_out' => 'Not started: :who has said stop.',
        'again_too_soon' => 'Not started: it began for :who on :last, and begins at most once in :days days.',
        'began' => 'Started.',
        'before' => 'Not started: it has already begun for this.',
    ],

    'stop' => [
        'opted_out' => 'Follow-ups dropped: :who said stop.',
        'replied' => 'Follow-ups dropped: :who replied.',
    ],

    'run' => [
        'ended' => 'Ended: :outcome.',
        'finished' => 'Finished.',
        'step_gone' => 'Ended: the step it stood at is no longer in the rule.',
    ],

    'gate' => [
        'rule_paused' => 'Held: the rule is switched off.',
        'rule_retired' => 'Not sent: the rule was retired.',
        'business_paused' => 'Held: all automatic sending is switched off.',
        'business_retired' => 'Not sent: all automatic sending was ended.',
        'line_paused' => 'Held: the line “:line” is switched off.',
        'line_retired' => 'Not sent: the line “:line” is no longer in use.',
        'on' => 'The rule and the line “:line” are on.',
        'no_number' => 'Not sent: :who has no number.',
        'number_landline' => 'Not sent: :number is a landline, where texts do not arrive.',
        'number_other' => 'Not sent: :number is neither a mobile nor a landline, and takes no texts.',
        'number_dead' => 'Not sent: :number is no longer in use.',
        'number_kind_mobile' => ':who has a mobile.',
        'number_kind_either' => ':who’s number may be a mobile; where they are, numbers do not tell.',
        'number_kind_unknown' => ':who’s number is of unknown kind.',
        'opted_out' => 'Not sent: :who has said stop.',
        'no_opt_in' => 'Not sent: :who has never agreed to marketing texts.',
        'opted_in' => ':who has agreed to hear from us.',
        'not_opted_out' => ':who has not said stop.',
        'same_text' => 'Not sent: the same words went to :who at :at.',
        'not_said_before' => 'The same words have not just gone to :who.',
        'never_decent' => 'Not sent: there is no hour at which :who may be texted. Look at the decent hours under Safeguards.',
        'outside_hours' => 'Held until :until for :who (:place): it was :now there, outside decent hours.',
        'decent_hour' => 'A decent hour for :who: :now in :place.',
    ],

    'intake' => [
        'not_an_object' => 'It is JSON, but not an object with named values. Ask the sender to post one object for each event.',
        'no_external_id' => 'It does not say which event it is about, so it could not be told from a repetition.',
        'not_a_value' => 'At “:path” stands a list or an object where a single value was expected.',
        'not_utf8' => 'At “:path” stand bytes that are no characters.',
        'not_a_number' => 'At “:path” stands “:written”, which is no number.',
        'not_a_phone' => 'At “:path” stands “:written”, which is no telephone number.',
        'not_unix' => 'At “:path” stands “:written”, which is no time counted from 1970.',
        'not_a_date' => 'At “:path” stands “:written”, which is no date and time with its offset.',
        'left_out' => 'Left out: nothing stands at “:path”, and only deliveries that have it are taken.',
        'left_out_said' => 'Left out: :said',
        'wrong_secret' => 'The secret was missing or wrong. Give the sender this source’s secret; until then nothing it sends is used.',
        'too_large' => 'It was larger than :kilobytes KB.',
        'repeated' => 'Exactly this had come before and was used then.',
        'empty' => 'It was empty.',
        'not_json' => 'It could not be read as JSON. It may have been cut off on the way; ask the sender to send it again.',
    ],

    'carrier' => [
        'refused' => 'The carrier refused it: :detail.',
        'given_up' => 'Given up after :attempts tries: the carrier did not take it (:detail).',
        'failed' => 'The carrier could not deliver it: :detail.',
    ],

    'consent' => [
        'withdrawn' => ':who texted “:word”. No more texts go to this number.',
        'granted' => ':who texted “:word”. Texts may go to this number again.',
    ],

    'staff' => [
        'skipped' => 'Not sent: :staff decided so.',
    ],

    'engine' => [
        'put_aside' => 'Linnet could not work this out and has put it aside: :detail',
    ],
];
