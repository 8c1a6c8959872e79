<x-book.texts name="prompt" :texts="$texts('prompt')" label="Says first" add="words before anybody is rung" :least="0" hint="the rules have words of their own"/>
<div class="inline-fields">
    <x-field label="to" hint="empty: whoever the transfer rules say"><input name="to" value="{{ $step['to'] ?? '' }}" placeholder="team:accounts" pattern="(team|person|step):[a-z][a-z0-9_\-]*|number:\+[0-9]+"></x-field>
    <x-book.to name="otherwise" :value="$step['otherwise'] ?? null" :script="$script" :self="$key" label="nobody can take it, goes to"/>
    <x-book.to name="promised" :value="$step['promised'] ?? null" :script="$script" :self="$key" label="a call-back is promised, goes to" none="nowhere: hangs up"/>
</div>
