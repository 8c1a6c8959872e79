<div class="inline-fields">
    <label class="field-label"><span>sends</span><select name="by" data-shows="by">@foreach (\Ringo\Delivery\Means::inCalls() as $by)<option value="{{ $by->value }}" @selected(($step['by'] ?? 'text') === $by->value)>{{ $by->called() }}</option>@endforeach</select></label>
    <label class="field-label"><span>to <small>a field, caller.number, or an address</small></span><input name="to" value="{{ $step['to'] ?? '' }}" list="values-{{ $key }}"></label>
    <label class="field-label" data-shown="by" data-when="email" @if (($step['by'] ?? 'text') !== 'email') hidden @endif><span>subject</span><input name="subject" value="{{ $step['subject'] ?? '' }}" data-slots></label>
    <label class="field-label" data-shown="by" data-when="email" @if (($step['by'] ?? 'text') !== 'email') hidden @endif><span>with the file <small>from the post room</small></span><select name="file"><option value="">none</option>@foreach (array_unique([...$files, ...array_filter([$step['file'] ?? ''])]) as $file)<option value="{{ $file }}" @selected(($step['file'] ?? '') === $file)>{{ $file }}{{ in_array($file, $files, true) ? '' : ' (not there)' }}</option>@endforeach</select></label>
</div>
<label class="field-label wide"><span>message <small>type [ to put in a value; links are written out</small></span><textarea name="words" rows="2" data-grow data-slots>{{ is_array($step['words'] ?? '') ? implode(' ', $step['words']) : $step['words'] ?? '' }}</textarea></label>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/>
    <x-book.to name="otherwise" :value="$step['otherwise'] ?? null" :script="$script" :self="$key" label="nobody to send to" none="goes on all the same"/>
</div>
@include('parts.book.values')
