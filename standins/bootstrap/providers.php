<?php

return [Standins\StandinsProvider::class];
