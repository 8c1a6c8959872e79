<div class="inline-fields">
    <x-field label="sends"><select name="by" data-shows="by">@foreach (\Ringo\Delivery\Means::inCalls() as $by)<option value="{{ $by->value }}" @selected(($step['by'] ?? 'text') === $by->value)>{{ $by->called() }}</option>@endforeach</select></x-field>
    <x-field label="to" hint="a field, caller.number, or an address"><input name="to" value="{{ $step['to'] ?? '' }}" list="values-{{ $key }}"></x-field>
    <x-field label="subject" data-shown="by" data-when="email" :hidden="($step['by'] ?? 'text') !== 'email'"><input name="subject" value="{{ $step['subject'] ?? '' }}" data-slots></x-field>
    <x-field label="with the file" hint="from the post room" data-shown="by" data-when="email" :hidden="($step['by'] ?? 'text') !== 'email'"><select name="file"><option value="">none</option>@foreach (array_unique([...$files, ...array_filter([$step['file'] ?? ''])]) as $file)<option value="{{ $file }}" @selected(($step['file'] ?? '') === $file)>{{ $file }}{{ in_array($file, $files, true) ? '' : ' (not there)' }}</option>@endforeach</select></x-field>
</div>
<x-field class="wide" label="message" hint="type [ to put in a value; links are written out"><textarea name="words" rows="2" data-grow data-slots>{{ is_array($step['words'] ?? '') ? implode(' ', $step['words']) : $step['words'] ?? '' }}</textarea></x-field>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/>
    <x-book.to name="otherwise" :value="$step['otherwise'] ?? null" :script="$script" :self="$key" label="nobody to send to" none="goes on all the same"/>
</div>
@include('parts.book.values')
