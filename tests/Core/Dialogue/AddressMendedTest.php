<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What is said to an address that is read back. */
final class AddressMendedTest extends TestCase
{
    #[TestWith(['14 Sedge Lane, Harwick', 'no, forty', '40 Sedge Lane, Harwick'])]
    #[TestWith(['14 Sedge Lane, Harwick', "no, it's Sedge Road", '14 Sedge Road, Harwick'])]
    #[TestWith(['14 Sedge Lane, Harwick', 'no, fourteen b', '14B Sedge Lane, Harwick'])]
    #[TestWith(['14 Sedge Lane, Harwick', "no, the postcode's HW2 8JP", '14 Sedge Lane, Harwick, HW2 8JP'])]
    #[TestWith(['14 Sedge Lane', 'yes, in Harwick', '14 Sedge Lane, Harwick'])]
    #[TestWith(['14 Sedge Lane', 'Harwick, HW2 8JP', '14 Sedge Lane, Harwick, HW2 8JP'])]
    #[TestWith(['14 Sedge Lane', 'yes and the postcode is h w two eight j p', '14 Sedge Lane, HW2 8JP'])]
    public function testAPartIsPutRightOrAdded(string $said, string $then, string $address): void
    {
        $call = $this->asked()->says($said);
        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());

        self::assertSame($address, $call->says($then)->value('address'), $call->heard());
    }

    #[TestWith(['yes thanks'])]
    #[TestWith(['yes, lovely'])]
    #[TestWith(['yes in the morning'])]
    #[TestWith(['yes it is'])]
    public function testACourtesyAddsNothing(string $yes): void
    {
        self::assertSame('14 Sedge Lane', $this->asked()->says('14 Sedge Lane', $yes)->value('address'));
    }

    public function testAPlainNoAsksWhatItShouldBe(): void
    {
        $call = $this->asked()->says('14 Sedge Lane', "no, that's wrong");

        self::assertNull($call->value('address'));
        self::assertSame('40 Mill Road', $call->says('40 Mill Road', 'yes')->value('address'));
    }

    private function asked(): Conversation
    {
        return Conversation::asking(['address' => ['type' => 'string', 'format' => 'postal-address', 'title' => 'Address'], 'windows' => ['type' => 'integer', 'title' => 'Windows']], ['address' => 'What is the address?', 'windows' => 'How many windows?']);
    }
}
