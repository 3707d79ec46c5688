<?php

declare(strict_types=1);

// the yardstick: what nginx and PHP take to answer anything at all
echo '{"status":"ready"}';
