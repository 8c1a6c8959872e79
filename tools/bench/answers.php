<?php

declare(strict_types=1);

use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\Reading\Markdown;

/*
 * Questions answered from a made-up handbook, no question asked twice.
 */
return static function (Table $table): void {
    $nouns = ['locker', 'ticket', 'boat', 'court', 'lesson', 'key', 'trolley', 'parcel', 'kennel', 'ladder', 'meter', 'garden', 'piano', 'ferry', 'oven'];
    $handbook = static function (int $passages) use ($nouns): array {
        $documents = [];
        for ($i = 0; $i * 4 < $passages; $i++) {
            $noun = $nouns[$i % count($nouns)].' '.$i;
            $text = "# Page {$i}\n\n";
            foreach (['charge' => "The {$noun} is charged at £".(5 + $i % 60).' a day and must be paid before it is taken out.', 'late return' => "A {$noun} that comes back late is charged for another half day.", 'repairs' => "If the {$noun} does not work, somebody comes out within ".(2 + $i % 9).' hours.', 'rules' => "Children under twelve may use the {$noun} only with an adult beside them."] as $about => $line) {
                $text .= "## {$noun}: {$about}\n\n{$line} Please ask at the desk where anything is not clear, and keep the slip you are given until the {$noun} is back.\n\n";
            }
            $documents[] = (new Markdown)->read("page-{$i}.md", $text);
        }

        return $documents;
    };
    $now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
    $asked = static function (int $passages) use ($handbook, $nouns, $now): Spent {
        $answerer = Answerer::over($handbook($passages));
        $questions = [];
        for ($i = 0; $i < 64; $i++) {
            $noun = $nouns[$i % count($nouns)].' '.$i;
            $question = ["how much is the {$noun} a day", "what happens if I bring the {$noun} back late", "can my children use the {$noun}", "do you sell second-hand trombones number {$i}"][$i % 4];
            $questions[] = static fn (): mixed => $answerer->answer($question, $now);
        }
        array_shift($questions)();

        return Spent::p95($questions);
    };
    $asked(40);
    $table->row('a question over 1,500 passages, p95', $asked(1_500), 0.012);
    $few = $asked(5_000);
    $many = $asked(10_000);
    $table->row('a question over 10,000 passages, p95', $many, 0.025);
    $table->growth('the passages', $few, $many);
};
