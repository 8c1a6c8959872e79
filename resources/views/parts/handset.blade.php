<section class="handset" id="handset" aria-label="Handset" hidden
    data-ring-url="{{ route('handset.ring', [$business, $agent]) }}"
    data-contacts-url="{{ route('contacts.search', $business) }}"
    data-business="{{ $business->key }}" data-agent="{{ $agent->name }}">
    <form class="handset-setup" data-setup>
        <h2>Ring {{ $agent->name }} <small>the draft, as it is now</small></h2>
        <div class="fields">
            <fieldset>
                <legend>As whom</legend>
                <label><input type="radio" name="caller" value="contact" checked> a contact</label>
                <label><input type="radio" name="caller" value="unknown"> an unknown number</label>
                <label><input type="radio" name="caller" value="withheld"> number withheld</label>
            </fieldset>
            <div data-for="contact">
                <label for="hs-search">Contact</label>
                <div class="pair">
                    <input id="hs-search" type="search" placeholder="name or firm" autocomplete="off" data-contact-search>
                    <select name="contact" aria-label="Contact to ring as" data-contact-list></select>
                </div>
            </div>
            <div data-for="unknown" hidden>
                <label for="hs-number">Number</label>
                <input id="hs-number" name="number" type="tel" value="07700 900199" autocomplete="off">
            </div>
            <div>
                <label for="hs-when">The call is placed at</label>
                <input id="hs-when" name="placed_at" type="datetime-local" required value="{{ \Illuminate\Support\Carbon::now($business->tz)->format('Y-m-d\TH:i') }}">
            </div>
            @if ($business->errands()->exists())
                <div>
                    <label for="hs-errands">Errands</label>
                    <div class="pair"><x-choice id="hs-errands" name="errands" :of="\App\Actions\Errands\AnswerErrand::HOW"/>
                    <label class="slow" data-slow hidden>by <input name="errands_seconds" inputmode="decimal" size="3" value="3" aria-label="seconds, where errands are slow"> s</label></div>
                </div>
            @endif
            <div class="go">
                <button class="primary" type="submit"><x-icon name="phone-call"/> Ring</button>
                <button type="button" data-close>Close <kbd>Esc</kbd></button>
            </div>
        </div>
        <p class="error" role="alert" data-setup-error hidden></p>
    </form>
    <div class="handset-call" data-call data-lights hidden>
        <div data-trace aria-label="Why {{ $agent->name }} said that"></div>
        <p class="as">as <strong data-as></strong>, at <span data-at-step></span></p>
        <div class="now-lines">
            <p class="now-agent"><span class="voice agent">{{ $agent->name }}</span> <span data-last-agent aria-live="polite"></span></p>
            <p class="now-caller"><span class="voice caller">Caller</span> <span data-last-caller></span></p>
        </div>
        <p class="ringing-line" data-ringing-line hidden><x-icon name="phone-outgoing"/> <span data-ringing></span>
            <label>where no desk is open, a colleague <x-choice data-colleague-how :of="['answers' => 'picks up', 'busy' => 'is busy', 'declines' => 'declines', 'no_answer' => 'does not answer']"/></label>
            <label>after <input type="number" min="1" max="60" value="4" data-colleague-after> s</label></p>
        <p class="ringing-line" data-errand-line hidden><x-icon name="waypoints"/> looks up <strong data-errand></strong>; what the caller says meanwhile is kept</p>
        <p class="ringing-line" data-with-line hidden><x-icon name="headset"/> with <strong data-with></strong> <span data-last-staff aria-live="polite"></span></p>
        <div data-strip></div>
        <p class="sent-line muted" data-sent hidden></p>
        <p class="error" role="alert" data-call-error hidden></p>
        <form class="say" data-say>
            <label class="sr" for="hs-say">What the caller says</label>
            <input id="hs-say" type="text" autocomplete="off" maxlength="2000" placeholder="What the caller says">
            <button type="submit">Say it <kbd>↵</kbd></button>
            <button type="button" data-speak aria-pressed="false" hidden><x-icon name="mic"/> <span data-speak-label>Speak</span></button>
            <details class="keypad" data-keypad>
                <summary>Keys</summary>
                <div class="pad" role="group" aria-label="Telephone keys">
                    @foreach (['1', '2', '3', '4', '5', '6', '7', '8', '9', '*', '0', '#'] as $key)<button type="button" data-key="{{ $key }}">{{ $key }}</button>@endforeach
                </div>
            </details>
            <button type="button" data-silence>Silence</button>
            <label class="count"><input type="checkbox" data-count> <span data-count-label>count silence</span></label>
            <button type="button" data-back title="Takes back the last turn: rings again up to before it">Back a turn</button>
            <label class="sr" for="hs-pace">Speed of speech</label>
            <x-choice id="hs-pace" data-pace title="Speed of speech" :of="['0.8' => 'slow', '1' => 'normal', '1.3' => 'brisk', '1.7' => 'fast']" chosen="1"/>
            <button type="button" data-mute aria-pressed="false"><x-icon name="volume-2"/> <span class="sr" data-mute-label>Sound on</span></button>
            <button type="button" class="danger" data-hang-up><x-icon name="phone-off"/> Hang up</button>
        </form>
        <div class="over" data-over hidden>
            <p><strong>The call is over:</strong> <span data-outcome></span></p>
            <a class="button primary" data-open-call href="#">Open the call</a>
            <button type="button" data-same>Ring again, same caller and clock</button>
            <button type="button" data-again>As somebody else</button>
            <button type="button" data-close>Close <kbd>Esc</kbd></button>
        </div>
    </div>
</section>
