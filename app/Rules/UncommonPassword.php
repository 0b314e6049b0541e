<?php

declare(strict_types=1);

namespace App\Rules;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** No password that everybody tries first: a word of the list that ships, alone or with figures and signs around it, or one sign over and over. */
final class UncommonPassword implements ValidationRule
{
    /** Signs that stand for letters. */
    private const DISGUISES = ['0' => 'o', '1' => 'l', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's'];

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $given = mb_strtolower(is_string($value) ? $value : '');
        $common = array_flip(file(resource_path('common-passwords.txt'), FILE_IGNORE_NEW_LINES) ?: []);
        foreach ([$given, strtr($given, self::DISGUISES)] as $plain) {
            $word = (string) preg_replace('/[^a-z]/', '', $plain);
            $half = substr($word, 0, intdiv(strlen($word), 2));
            if (isset($common[$word]) || ($word === $half.$half && isset($common[$half])) || count(array_unique(mb_str_split($plain))) < 4) {
                $fail('This password is one that everybody tries first. Take three or four words that do not belong together.');

                return;
            }
        }
    }
}
