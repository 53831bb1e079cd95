<?php

declare(strict_types=1);

namespace App\Security;

/** What somebody may be allowed to do; an endpoint names one of these, and so does each kind of entry. */
final class Act
{
    /** Their own login, password, PIN and list of sessions. */
    public const OWN = 'own';
    /** Calls, houses, records and everything computed from them. */
    public const SEE = 'see';
    /** Open calls, and write down what was told, seen and advised. */
    public const TELL = 'tell';
    /** Survey a house, change its drawing. */
    public const SURVEY = 'survey';
    /** Switch, isolate, measure. */
    public const MEASURE = 'measure';
    /** Stand beside a trainee at live steps. */
    public const ACCOMPANY = 'accompany';
    /** Accept a cause, decide, record a repair. */
    public const ACCEPT = 'accept';
    public const CLOSE = 'close';
    /** Take data out of the application as a file. */
    public const EXPORT = 'export';
    /** People, roles, what the firm settles, the security log. */
    public const ADMINISTER = 'administer';

    public const ALL = [self::OWN, self::SEE, self::TELL, self::SURVEY, self::MEASURE, self::ACCOMPANY, self::ACCEPT, self::CLOSE, self::EXPORT, self::ADMINISTER];
}
