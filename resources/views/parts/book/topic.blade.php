<div class="grid-item" data-item>
    <input type="hidden" name="topics[{{ $i }}][key]" value="{{ $topic['key'] ?? '' }}">
    <input name="topics[{{ $i }}][label]" value="{{ $topic['label'] ?? '' }}" aria-label="topic" placeholder="as it is asked back: a breakdown">
    <textarea name="topics[{{ $i }}][description]" rows="1" data-grow aria-label="description" placeholder="in plain words">{{ $topic['description'] ?? '' }}</textarea>
    <textarea name="topics[{{ $i }}][phrases]" rows="1" data-grow aria-label="phrases" placeholder="sayings that mean it, commas between">{{ implode(', ', $topic['phrases'] ?? []) }}</textarea>
    <x-choice name="topics[{{ $i }}][reach]" aria-label="reachable" :of="['anywhere' => 'from anywhere', 'urgent' => 'urgent, from anywhere']" :chosen="($topic['urgent'] ?? false) ? 'urgent' : (($topic['anywhere'] ?? false) ? 'anywhere' : '')" none="from here"/>
    <x-choice name="topics[{{ $i }}][tone]" aria-label="how it is met" :of="['neutral' => 'met as it comes', 'sorry' => 'met with regret', 'glad' => 'met gladly']" :chosen="$topic['tone'] ?? ''" none="met by its words"/>
    <x-book.to name="topics[{{ $i }}][next]" :value="$topic['next'] ?? null" :script="$script" :self="$key" label="leads to" :bare="true"/>
    <button type="button" class="bare" data-remove title="Take this topic out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
