<?php

// What reserved words are answered with.
return [
    'stopped' => ':business: you will get no more texts from us. Text START if you change your mind.',
    'started' => ':business: welcome back, you can get texts from us again. Text STOP to end them.',
    'help' => ':business. Call us on :number, or write here and a person will read it. Text STOP to hear no more.',
    'confirm' => ':business: you asked for our news by text. Answer YES to get it. If you do not, nothing more comes.',
    'confirmed' => ':business: thank you, you are on the list. Text STOP whenever you have had enough.',
];
