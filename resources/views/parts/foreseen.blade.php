@php
    /** @var \Ringo\Rehearsal\Foreseen $row */
    $mark = $outlook->mark($row);
    $handled = $outlook->handles($row);
    $labels = [];
    foreach ($script->steps as $step) {
        foreach ($step instanceof \Ringo\Script\Steps\Listen\ListenStep ? $step->topics : [] as $topic) {
            $labels[$topic['key']] ??= $topic['label'];
        }
    }
    $named = fn (string $target): string => str_starts_with($target, 'team:') ? ($teams[substr($target, 5)]->name ?? substr($target, 5)) : ($labels[$target] ?? str_replace(['_', 'person:'], [' ', ''], $target));
    $does = match ($row->does) {
        \Ringo\Rehearsal\Does::Topic => 'go into <strong>'.e($named($row->target)).'</strong>',
        \Ringo\Rehearsal\Does::Transfer => $row->target === '' ? 'hand over to a person' : 'ring <strong>'.e($named($row->target)).'</strong>',
        \Ringo\Rehearsal\Does::Answer => 'answer'.($row->target === '' ? '' : ' <small>'.e($row->target).'</small>'),
        \Ringo\Rehearsal\Does::Asks => 'ask: '.implode(' or ', array_map(fn ($one) => '<strong>'.e($named($one)).'</strong>', $row->between)),
        \Ringo\Rehearsal\Does::Call => 'take it as about the call',
        \Ringo\Rehearsal\Does::Refuses => 'say that it does not know',
        \Ringo\Rehearsal\Does::Nothing => 'not understand',
    };
@endphp
<tr data-row tabindex="-1" data-said="{{ $row->said }}" class="{{ $handled ? 'handled' : 'open' }}">
    <td class="voice caller">“{{ $row->said }}”</td>
    <td><span class="does does-{{ $row->does->value }}">{!! $does !!}</span><details class="spoken"><summary>its words</summary>{{ $row->spoken === '' ? 'nothing' : $row->spoken }}</details></td>
    <td class="num figures">{{ $row->sureness === null ? '' : number_format($row->sureness, 2) }}</td>
    <td class="yours">@if ($mark)<span class="badge {{ $handled ? 'good' : 'wrong' }}">{{ $mark->does->serves() ? ($handled ? 'right' : 'should be '.($mark->target === '' ? $mark->does->value : $named($mark->target))) : ($handled ? 'not for us' : 'not for us, yet served') }}</span> <button type="button" class="bare" data-verdict="none">take back</button>
        @else<button type="button" data-verdict="right">Right</button><button type="button" data-verdict="belongs">Belongs to …</button><button type="button" data-verdict="not_ours">Not for us</button><button type="button" data-verdict="answer">Answer</button>@endif</td>
</tr>
