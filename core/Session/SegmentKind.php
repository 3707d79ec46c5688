<?php

declare(strict_types=1);

namespace EvenRungs\Core\Session;

enum SegmentKind: string
{
    case WarmUp = 'warm-up';
    case Work = 'work';
    case Rest = 'rest';
    case Side = 'side';
    case Station = 'station';
    case CoolDown = 'cool-down';
}
