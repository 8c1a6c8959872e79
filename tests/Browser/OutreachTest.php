<?php

declare(strict_types=1);

namespace Tests\Browser;

/** A campaign from its form to its end by mouse and by key; and a form on the client's page that is rung within a look of the dialler. */
final class OutreachTest extends BrowserTestCase
{
    public function testACampaignIsMadeLaunchedPausedGoneOnWithAndStopped(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/quillmoor/outreach');
        $this->click('.head .primary');
        $this->fill('[name=name]', 'Summer rounds');
        $this->fill('[name=purpose]', 'summer rounds');
        $this->click('.campaign-fields [name=consent]');
        $this->click('.campaign-fields .go .primary');
        $this->see('.notice', 'Now say who is rung.');
        $this->click('form:has([name=tag]) button');
        $this->see('.notice', '24 added.');
        $this->see('#main', 'one in ten below');
        $this->click('[name=clock][value=real]');
        $this->click('[name=sure]');
        $this->click('.launch .primary');
        $this->see('.line-sub', 'runs');
        $this->type('p');
        $this->see('.line-sub', 'paused by');
        $this->type('p');
        $this->see('.line-sub', 'runs');
        $this->click('.head .danger');
        $this->see('.line-sub', 'stopped by');
        $this->page->get(self::$base.'/quillmoor/outreach/collection-days-before');
        $this->see('#main', 'Best hours to ring');
        $this->click('.figure-body .when a');
        $this->see('.head .sub', 'Tobin');
    }

    public function testASurveyIsWrittenAskedCountedAndReported(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/quillmoor/outreach/surveys/new');
        $this->fill('[name=title]', 'Your napkins');
        $this->fill('[name=about]', 'our napkins');
        $this->fill('[name=agent]', 'Pernel');
        $this->fill('[name="questions[0][ask]"]', 'How soft are our napkins?');
        $this->fill('[name="questions[1][ask]"]', 'Which colour do you miss?');
        $this->click('.survey-questions > [data-add]');
        $this->fill('.survey-question:nth-child(3) textarea', 'Shall we bring samples?');
        $this->choose('.survey-question:nth-child(3) [data-kind]', 'yes_no');
        $this->click('.survey-question:nth-child(3) [data-up]');
        $this->click('.survey-form .go .primary');
        $this->see('.notice', 'Pernel’s script is written');
        $this->see('.survey-question:nth-child(2)', 'Shall we bring samples?');
        $this->page->get(self::$base.'/quillmoor/outreach/surveys/how-was-your-linen');
        $this->see('#main', 'Where people leave');
        $this->choose('#by', 'round');
        $this->see('.survey-crossed', 'Wednesday');
        $this->fill('#short .survey-group[open] [name=name]', 'Comes back late');
        $this->click('#short .survey-group[open] form button');
        $this->see('#short', 'Comes back late');
        $this->click('.head .actions .button:last-child');
        $this->see('.survey-report', 'How it was asked');
        $this->see('.survey-report', 'Comes back late');
    }

    public function testAFormOnTheClientsPageBecomesACallAndARow(): void
    {
        $this->signIn();
        $this->page->get(self::$base.'/pellbrook/outreach/web-requests');
        $this->click('[data-shortcut=p]');
        $this->click('details.card summary');
        foreach (['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as $day) {
            $this->fill("[name=\"windows[{$day}]\"]", '00:00-24:00');
        }
        $this->fill('[name=lines]', '5');
        $this->fill('[name=a_minute]', '60');
        $this->click('details.card .go .primary');
        $this->see('.notice', 'Kept, and planned anew.');
        $this->click('[data-shortcut=p]');
        $this->see('.line-sub', 'runs');
        $visitor = $this->browser();
        $visitor->get(self::$base.'/site/pellbrook/form/web-requests');
        $this->fill('[name=name]', 'Nora Thirlby', $visitor);
        $this->fill('[name=phone]', '07700 900771', $visitor);
        $this->fill('[name=wish]', 'a cherry picker for a gutter', $visitor);
        $this->click('button', $visitor);
        $this->see('[role=alert]', 'Please tick that we may ring you.', $visitor);
        $visitor->navigate()->back();
        $this->click('[name=consent]', $visitor);
        $this->click('button', $visitor);
        $this->see('[role=status]', 'We ring you now.', $visitor);
        $this->beside('ringo:deliver', '--once');
        $this->beside('ringo:deliver', '--once');
        $this->page->navigate()->refresh();
        $this->see('.figure-body', 'Nora Thirlby');
        $this->see('#form', 'a cherry picker for a gutter');
        $this->see('#form', 'held: they asked before');
    }
}
