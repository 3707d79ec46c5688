<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

enum SegmentKind: string
{
    case WarmUp = 'warm-up';
    case Work = 'work';
    case Rest = 'rest';
    case Side = 'side';
    case Station = 'station';
    case CoolDown = 'cool-down';
}
