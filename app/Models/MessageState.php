<?php

declare(strict_types=1);

namespace App\Models;

/** Where a message is on its way. */
enum MessageState: string
{
    /** Wanted, and held by the gate until a moment or until somebody acts. */
    case Waiting = 'waiting';
    /** A value is missing and there is nothing to say instead. */
    case SetAside = 'set_aside';
    case Dropped = 'dropped';
    /** Passed the gate; in the outbox. */
    case Ready = 'ready';
    /** Its hand-over was cut off, to a carrier that knows no keys: nobody knows whether it has gone, and somebody has to decide. */
    case CutOff = 'cut_off';
    /** The carrier has it. */
    case Handed = 'handed';
    case Arrived = 'arrived';
    case Failed = 'failed';
    /** Came in. */
    case Received = 'received';

    /** @return list<self> states of texts that have gone out */
    public static function left(): array
    {
        return [self::Handed, self::Arrived];
    }

    /** @return list<self> states of texts the carrier may know of */
    public static function offered(): array
    {
        return [self::Ready, self::CutOff, self::Handed, self::Arrived, self::Failed];
    }

    public function word(): string
    {
        return match ($this) {
            self::Waiting => 'held',
            self::SetAside => 'set aside',
            self::Dropped => 'not sent',
            self::Ready => 'leaving',
            self::CutOff => 'cut off',
            self::Handed => 'handed over',
            self::Arrived => 'arrived',
            self::Failed => 'failed',
            self::Received => 'received',
        };
    }

    /** The tone a state is shown in: a colour and an icon go with each. */
    public function tone(): string
    {
        return match ($this) {
            self::Arrived => 'well',
            self::Waiting, self::SetAside => 'held',
            self::Failed, self::Dropped, self::CutOff => 'bad',
            self::Ready, self::Handed, self::Received => 'plain',
        };
    }
}
