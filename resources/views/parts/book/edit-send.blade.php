<div class="inline-fields">
    <x-field label="sends"><x-choice name="by" data-shows="by" :of="collect(\Ringo\Delivery\Means::inCalls())->mapWithKeys(static fn ($by) => [$by->value => $by->called()])" :chosen="$step['by'] ?? 'text'"/></x-field>
    <x-field label="to" hint="a field, caller.number, or an address"><input name="to" value="{{ $step['to'] ?? '' }}" list="values-{{ $key }}"></x-field>
    <x-field label="subject" data-shown="by" data-when="email" :hidden="($step['by'] ?? 'text') !== 'email'"><input name="subject" value="{{ $step['subject'] ?? '' }}" data-slots></x-field>
    <x-field label="with the file" hint="from the post room" data-shown="by" data-when="email" :hidden="($step['by'] ?? 'text') !== 'email'"><x-choice name="file" :of="\App\Support\Offered::orGone(array_combine($files, $files), $step['file'] ?? '')" :chosen="$step['file'] ?? ''" none="none"/></x-field>
</div>
<x-field class="wide" label="message" hint="type [ to put in a value; links are written out"><textarea name="words" rows="2" data-grow data-slots>{{ is_array($step['words'] ?? '') ? implode(' ', $step['words']) : $step['words'] ?? '' }}</textarea></x-field>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/>
    <x-book.to name="otherwise" :value="$step['otherwise'] ?? null" :script="$script" :self="$key" label="nobody to send to" none="goes on all the same"/>
</div>
@include('parts.book.values')
