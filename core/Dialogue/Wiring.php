<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Dialogue\Acts\ActFinder;
use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\PersonAsked;
use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Appointments\Agreed;
use Ringo\Dialogue\Appointments\Agreeing;
use Ringo\Dialogue\Appointments\Choice;
use Ringo\Dialogue\Appointments\Finding;
use Ringo\Dialogue\Appointments\Talk;
use Ringo\Dialogue\Appointments\WaitingList;
use Ringo\Dialogue\Errands\Known;
use Ringo\Dialogue\Errands\OwnAccord;
use Ringo\Dialogue\Errands\Running;
use Ringo\Dialogue\Errands\WhichOne;
use Ringo\Dialogue\Events\Keys;
use Ringo\Dialogue\Events\Limits;
use Ringo\Dialogue\Events\Silences;
use Ringo\Dialogue\Modes\Modes as ModeHandlers;
use Ringo\Dialogue\Modes\Weighing;
use Ringo\Dialogue\Order\Consideration;
use Ringo\Dialogue\Order\Requests;
use Ringo\Dialogue\Order\TurnOrder;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Steps\TopicEntry;
use Ringo\Dialogue\Transfers\Announcement;
use Ringo\Dialogue\Transfers\CallBacks;
use Ringo\Dialogue\Transfers\Rules;
use Ringo\Dialogue\Transfers\StaffFirst;
use Ringo\Dialogue\Transfers\Transfers;
use Ringo\Dialogue\Transfers\WhichTeam;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Elsewhere;
use Ringo\Dialogue\Values\FieldNames;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\ReadBack;
use Ringo\Dialogue\Values\Settled;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Dialogue\Walk\Identity;
use Ringo\Dialogue\Walk\PersonWanted;
use Ringo\Dialogue\Walk\Reprise;
use Ringo\Dialogue\Walk\Tone;
use Ringo\Dialogue\Walk\TopicSwitch;
use Ringo\Dialogue\Walk\Walker;
use Ringo\Errand\Errands;
use Ringo\Fit\Memory;
use Ringo\Fit\Topics;
use Ringo\Language\SayingModel;
use Ringo\Script\Script;
use Ringo\Speech\Speakable;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Acts\ActModel;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\YesNo\Model;

/** Puts the parts of the engine together, once for each engine: the one place that knows them all. */
final readonly class Wiring
{
    public Phrasebook $phrases;

    public ActFinder $acts;

    public Walker $walker;

    public ModeHandlers $modes;

    public Keys $keys;

    public Silences $silences;

    public Limits $limits;

    public Identity $identity;

    public Transfers $transfers;

    public StaffFirst $staffFirst;

    public Running $errands;

    public OwnAccord $ownErrands;

    /** @var array<string, TurnOrder> by how much is weighed */
    private array $orders;

    public function __construct(Script $script, Understanding $understanding, Speakable $speakable, Switchboard $switchboard, ?Knowledge $knowledge, Memory $memory, ?Appointments $appointments = null, Errands $errands = new Errands)
    {
        $words = $understanding->words;
        $this->phrases = new Phrasebook($words, $script->agent);
        $questions = new Questions($this->phrases);
        $this->acts = new ActFinder($this->phrases, $questions, new PersonAsked($this->phrases, $words), ActModel::english());
        $topics = new Topics($words, $memory);
        $meant = new Values\YesNoMeant(Model::english(), $words);
        $collector = new Collector($understanding, $meant);
        $keeper = new Keeper;
        $names = new FieldNames;
        $corrections = new Corrections($understanding, $collector, $speakable, $names, new Values\Moments\Shift($words));
        $replies = new Replies($understanding, $this->phrases, $collector, $questions, $topics, $knowledge);
        $volunteer = new Volunteer($collector, $keeper, new Values\Moments\DayAhead($understanding, $collector));
        $switch = new TopicSwitch($volunteer);
        $settled = new Settled($keeper);
        $readBack = new ReadBack($keeper, $words);
        $elsewhere = new Elsewhere($this->phrases, $words);
        $lone = new Values\LoneValue($understanding);
        $entry = new TopicEntry($understanding, $collector, $keeper, $volunteer, new Tone($this->phrases), $lone);
        $matters = new Steps\MatterWished($topics, $this->phrases);
        $others = new Steps\OtherTopics($understanding, $this->phrases, $topics, $entry);
        $this->identity = new Identity($understanding);
        $callBacks = new CallBacks($understanding, $this->phrases, $switchboard);
        $this->transfers = new Transfers($switchboard, $callBacks, new Announcement, new WhichTeam($switchboard), new Rules);
        $this->staffFirst = new StaffFirst($switchboard, new Announcement, $this->identity);
        $puts = new Steps\Puts;
        $which = new WhichOne($understanding);
        $wanting = new Acts\Wanting(SayingModel::requests(), $this->phrases);
        $this->errands = new Running($errands, $which);
        $this->ownErrands = new OwnAccord($errands, new Known);
        $runners = new Runners([
            'say' => new Steps\SayRunner,
            'branch' => new Steps\BranchRunner,
            'note' => new Steps\NoteRunner($words),
            'send' => new Steps\SendRunner,
            'finish' => new Steps\FinishRunner,
            'transfer' => new Steps\TransferRunner($this->transfers),
            'look_up' => new Steps\LookUpRunner($puts, $collector, $keeper, new Known, $this->errands, $which),
            'verify' => new Steps\VerifyRunner($puts, new Steps\Proof($understanding)),
            'ask' => new Steps\AskRunner(
                $puts,
                $collector,
                $keeper,
                new Values\Parting($collector, $replies, $this->phrases, $wanting),
                new Values\Parts($understanding),
                $elsewhere,
                new Values\NoAnswer($this->phrases),
                new Values\Bounded,
                new Values\KeyedIn($collector, $understanding),
                $replies,
                new Steps\Acknowledgement,
                new Steps\Turning($this->phrases, $topics, $switch),
                $meant,
                $lone,
                new Values\RestOfOptions($words, $this->phrases),
                new Values\OptionByMeaning($topics, $this->phrases),
                new Steps\ToldBeside($collector, $keeper, $replies, $wanting),
                new Steps\NotOneValue($understanding->words->section('units', 'durations')),
                new Steps\WishAhead($words),
            ),
            'book' => new Steps\BookRunner($puts, $understanding, $appointments, $talk = new Talk, $choice = new Choice($words), new Finding($understanding, $choice, $talk), new Agreeing($talk, new Agreed, $waiting = new WaitingList), $waiting),
            'summary' => new Steps\SummaryRunner($puts, $understanding, $corrections, $names, $keeper, $collector),
            'repeat' => new Steps\RepeatRunner($puts, $understanding, $volunteer, $collector, $keeper),
            'reach' => new Steps\ReachRunner($puts, $understanding, $this->phrases, new Values\RingAgain($understanding), $replies),
            'choose' => $choices = new Steps\ChooseRunner($puts, $understanding, $topics, $collector, $keeper, $replies),
            'listen' => new Steps\ListenRunner(
                $puts,
                $understanding,
                $this->phrases,
                $topics,
                $replies,
                $volunteer,
                $entry,
                $wanting,
                new Steps\TopicSorting(
                    $understanding,
                    $this->phrases,
                    $topics,
                    $entry,
                    $wanting,
                    $corrections,
                    $others,
                    new Steps\AskedAbout($understanding, $this->phrases, $topics, $wanting),
                    new Steps\StandsAlready($understanding, $this->phrases, $topics),
                ),
                new Steps\TakingUp($understanding, $this->phrases, $entry, $others),
            ),
        ]);
        $answering = new Modes\Answering($runners, $this->phrases, new Values\TellingMore($this->phrases, $understanding));
        $this->modes = new ModeHandlers([
            Mode::Answer->value => $answering,
            Mode::Confirm->value => new Modes\Confirming($understanding, $corrections, $collector, $keeper, $settled, $readBack, $replies, $elsewhere, $lone),
            Mode::Clarify->value => new Modes\Clarifying($understanding, $this->phrases, $topics, $replies, $entry, $choices, $lone, $answering, $others, $matters),
            Mode::Identify->value => new Modes\Identifying($this->identity, $answering),
            Mode::Recent->value => new Modes\Returning($this->identity, $answering),
            Mode::WhichTeam->value => new Modes\ChoosingTeam($this->transfers),
            Mode::CallBack->value => new Modes\CallingBack($this->transfers, $callBacks),
            Mode::Ringing->value => new Modes\Ringing($this->transfers, $this->staffFirst),
            Mode::LookingUp->value => new Modes\LookingUp($this->errands),
            Mode::Connected->value => new Modes\Connected,
            Mode::Handover->value => new Modes\HandingOver($understanding, $this->phrases, $answering),
        ]);
        $this->keys = new Keys($this->modes);
        $this->silences = new Silences($this->modes);
        $this->limits = new Limits;
        $this->walker = new Walker($runners, $this->modes, new Reprise($runners), $readBack);
        $this->orders = $this->orders($understanding, $topics, $switch, $corrections, $keeper, $runners, $replies, $names, $settled, $choices, $collector, $matters, $entry);
    }

    public function order(Weighing $weighing): TurnOrder
    {
        return $this->orders[$weighing->name];
    }

    /** @return array<string, TurnOrder> */
    private function orders(Understanding $understanding, Topics $topics, TopicSwitch $switch, Corrections $corrections, Keeper $keeper, Runners $runners, Replies $replies, FieldNames $names, Settled $settled, Steps\ChooseRunner $choices, Collector $collector, Steps\MatterWished $matters, TopicEntry $entry): array
    {
        $person = new PersonWanted;
        $leaving = new Order\Leaving($understanding, $this->phrases);
        $answer = new Order\Answer($this->modes);
        $missed = new Order\NotUnderstood($this->modes);
        $objection = new Order\Objection($topics, $runners, SayingModel::objections());
        $ruledOut = new Values\Moments\DayRuledOut($understanding->words);
        /** @var list<Consideration> $whole */
        $whole = [
            new Order\NobodyThere($this->phrases),
            new Order\OfferNamed($this->modes, $understanding->words),
            new Order\WrongNumber($this->phrases),
            $leaving,
            new Order\RingLater($this->phrases, new Values\RingAgain($understanding)),
            new Order\Urgent($topics, $switch),
            new Order\Patience($person),
            $this->standing($person, $names, $settled, new Elsewhere($this->phrases, $understanding->words), new Requests\Hold($collector, $understanding->words, $corrections), $collector),
            new Order\WhichMeant($replies),
            new Order\PlaceReached($this->phrases, $topics),
            new Order\Preamble($this->phrases, $topics, $understanding, SayingModel::preambles()),
            new Order\BookingPutRight($corrections),
            new Order\PutRightAtOnce($corrections, $keeper, $understanding, $collector, $this->phrases),
            new Order\DayTakenBack($corrections, $ruledOut),
            new Order\Correction($corrections, $keeper, $runners, $names, $ruledOut),
            $objection,
            new Order\OtherMatter($matters, $entry, $collector),
            $answer,
            new Order\TopicCorrection($corrections, $keeper),
            new Order\MenuCorrection($corrections, $choices, $understanding),
            new Order\SideQuestion($replies, $topics, $switch, $objection, new Acts\Wanting(SayingModel::requests(), $this->phrases)),
            new Order\TopicChange($topics, $switch),
            new Order\Person($person),
            new Order\OffTopic,
            $missed,
        ];

        return [
            Weighing::Whole->name => new TurnOrder($whole),
            Weighing::LeavingOnly->name => new TurnOrder([$leaving, $answer, $missed]),
            Weighing::Checked->name => new TurnOrder([$leaving, new Order\Person($person), $answer, $missed]),
            Weighing::AnswerOnly->name => new TurnOrder([$answer, $missed]),
        ];
    }

    private function standing(PersonWanted $person, FieldNames $names, Settled $settled, Elsewhere $elsewhere, Requests\Hold $hold, Collector $collector): Order\StandingRequests
    {
        return new Order\StandingRequests([
            ActKind::Back->value => new Requests\GoBack($names, $collector),
            ActKind::Why->value => new Requests\Why,
            ActKind::AlreadyTold->value => new Requests\AlreadyTold($settled, $this->phrases, $elsewhere),
            ActKind::Handover->value => new Requests\Handover,
            ActKind::Hold->value => $hold,
            ActKind::Slower->value => new Requests\Slower,
            ActKind::StartAgain->value => new Requests\StartAgain,
            ActKind::Presence->value => new Requests\Presence,
            ActKind::Meaning->value => new Requests\Meaning($this->phrases),
            ActKind::Repeat->value => new Requests\Repeat,
            ActKind::Person->value => new Requests\PersonRequest($person, $collector),
            ActKind::Profanity->value => new Requests\StrongWords,
            ActKind::Frustration->value => new Requests\StrongWords,
        ]);
    }
}
