<?php

declare(strict_types=1);

// What speaks for and against an answer, as the bench tells it.
return ['words' => [
    'own_plain' => 'its own words are those asked', 'own_like' => 'its own words are like those asked', 'all_plain' => 'with its surroundings it has the words asked', 'all_like' => 'with its surroundings it has words like those asked',
    'heading_plain' => 'the heading has the words', 'heading_like' => 'the heading is like the question', 'path_like' => 'the headings above are like the question', 'own_alone_plain' => 'the value itself has the words',
    'first_word' => 'the weightiest word is met', 'first_word_own' => 'it says the weightiest word itself', 'second_word' => 'the next word is met', 'heaviest_missing' => 'a weighty word is missing',
    'heading_said' => 'the heading is said in the question', 'own_said' => 'all of it is said in the question', 'passage_plain' => 'its passage has the words asked', 'passage_like' => 'its passage is like the question',
    'all_square' => 'nearly all is met', 'own_square' => 'nearly all stands in its own words', 'rank' => 'its passage was found first', 'first_of_passage' => 'it stands first', 'long' => 'it is long', 'short' => 'it is short',
    'pairs' => 'words stand together as in the question', 'alike_own' => 'it means about the same', 'alike_heading' => 'the heading means about the same',
        'paired_own' => 'it is what such questions are answered with', 'paired_heading' => 'the heading is what such questions are about', 'paired_aligned' => 'its words are those that such questions are answered with',
    'precedents' => 'such questions were answered so elsewhere', 'precedents_share' => 'what answered the nearest question elsewhere is like it', 'precedents_heading' => 'such questions were about this heading elsewhere', 'precedents_heading_share' => 'what answered the nearest question elsewhere is like its heading',
    'is_item' => 'an item of a list', 'is_clause' => 'a part of a sentence', 'is_cell' => 'one value of a table', 'is_row' => 'a whole row', 'is_reply' => 'a written answer', 'has_clauses' => 'it holds several values',
    'lead' => 'the row is met', 'lead_said' => 'the row is named', 'lead_over_brothers' => 'this row more than others', 'lead_under_brother' => 'another row more', 'clause_over_brothers' => 'this part more than others', 'clause_under_brother' => 'another part more',
    'column' => 'the column is met', 'column_over_brothers' => 'this column more than others', 'column_under_brother' => 'another column more', 'first_column' => 'the first column',
    'type_there' => 'the kind of value is there', 'type_missing' => 'the kind of value is missing', 'price_of_cell' => 'a price in a table', 'value_of_clause' => 'the one value of its kind', 'telephone_wanted' => 'a telephone number was asked for', 'telephone_unwanted' => 'a telephone number was not asked for',
    'tells_how' => 'it tells what to do', 'last_there' => 'it tells the last', 'first_there' => 'it tells the first', 'last_missing' => 'it tells the first, not the last', 'least_there' => 'it tells the least', 'polar_denies' => 'it says no', 'polar_value_cell' => 'a value, where yes or no was asked', 'open_denies' => 'it says no to an open question',
    'day_right' => 'the day is right', 'day_wrong' => 'another day', 'day_missing' => 'no day', 'day_unasked' => 'a day nobody asked for', 'month_right' => 'the month is right', 'month_wrong' => 'another month', 'month_missing' => 'no month',
    'wanted_there' => 'what is asked for is there', 'wanted_missing' => 'what is asked for is missing', 'wanted_in_cell' => 'what is asked for, as a value of a table', 'wanted_in_clause' => 'what is asked for, in a part of a sentence', 'way_in_cell' => 'a value, where it is asked what to do', 'polar_cell' => 'a value, where a yes or no is likely meant', 'column_wanted' => 'the column is of what is asked for',
    'far_own' => 'its words are the nearest to a word nobody wrote', 'far_around' => 'its surroundings are the nearest to a word nobody wrote', 'met_own' => 'it has many of the words', 'met_all' => 'with its surroundings it has many of the words', 'bound_right' => 'the figure keeps to its bound', 'bound_wrong' => 'the figure breaks its bound',
    'rate_right' => 'the price is for the length asked', 'rate_wrong' => 'the price is for another length', 'row_figure' => 'the figure stands in its row', 'range_right' => 'the figure lies in its range', 'range_wrong' => 'the figure lies outside its range', 'clock_right' => 'the hour lies in its range', 'clock_wrong' => 'the hour lies outside its range', 'part_right' => 'the part of the day is right', 'part_wrong' => 'another part of the day',
]];
