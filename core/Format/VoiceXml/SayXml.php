<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

/** Speaks and goes on. */
final readonly class SayXml extends BlockXml
{
}
