<?php

// What reserved words are answered with.
return [
    'stopped' => ':business: you will get no more texts from us. Text START if you change your mind.',
    'started' => ':business: welcome back, you can get texts from us again. Text STOP to end them.',
    'help' => ':business. Call us on :number, or write here and a person will read it. Text STOP to hear no more.',
];
