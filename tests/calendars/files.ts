/** A calendar of an odd but valid kind: how it is called, and its bytes. */
export type OddCalendar = {
  name: string;
  bytes: Uint8Array;
  /** Which of the readers reads it otherwise than we do, and why ours is right by the standard. */
  otherwise?: { readers: ('icalendar' | 'khal')[]; why: string };
};

const event = (...lines: string[]) => [
  'BEGIN:VEVENT',
  'UID:a',
  'DTSTAMP:20260901T000000Z',
  'SUMMARY:Shift',
  ...lines,
  'END:VEVENT',
];
const textOf = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Millbrook//Rota//EN', ...lines, 'END:VCALENDAR', ''].join(
    '\r\n',
  );
const calendar = (name: string, lines: string[], otherwise?: OddCalendar['otherwise']): OddCalendar => ({
  name,
  bytes: Buffer.from(textOf(...lines)),
  ...(otherwise ? { otherwise } : {}),
});
/** One event of these lines. */
const one = (name: string, lines: string[], otherwise?: OddCalendar['otherwise']) =>
  calendar(name, event(...lines), otherwise);
/** A series, and what stands in place of one of its times. */
const changed = (name: string, series: string[], changes: string[][], otherwise?: OddCalendar['otherwise']) =>
  calendar(name, [...event(...series), ...changes.flatMap((c) => event(...c))], otherwise);

const inZone = (zone: string, time: string, rule: string) => [
  `DTSTART;TZID=${zone}:${time}`,
  'DURATION:PT1H',
  `RRULE:${rule}`,
];
const DAILY = ['DTSTART:20261005T090000Z', 'DTEND:20261005T100000Z', 'RRULE:FREQ=DAILY;COUNT=6'];
const ATHENS = [
  'DTSTART;TZID=Europe/Athens:20261019T090000',
  'DTEND;TZID=Europe/Athens:20261019T103000',
  'RRULE:FREQ=WEEKLY;COUNT=4',
];

const NO_PERIODS: OddCalendar['otherwise'] = {
  readers: ['icalendar', 'khal'],
  why: 'neither reads RDATE with VALUE=PERIOD: one throws, the other leaves the event out (RFC 5545, 3.8.5.2)',
};
const FIRST_OF_TWO: OddCalendar['otherwise'] = {
  readers: ['icalendar', 'khal'],
  why: 'their library takes the second of two; the standard the first (RFC 5545, 3.3.5)',
};
const ONLY_UTF8: OddCalendar['otherwise'] = {
  readers: ['khal'],
  why: 'it decodes the whole file as UTF-8 before it unfolds it, and gives up',
};

const UNTIL: OddCalendar[] = [
  one(
    'until, in London, on the last time',
    inZone('Europe/London', '20261019T090000', 'FREQ=WEEKLY;UNTIL=20261102T090000Z'),
  ),
  one(
    'until, in Athens, two hours before the last',
    inZone('Europe/Athens', '20261019T010000', 'FREQ=DAILY;UNTIL=20261021T220000Z'),
  ),
  one(
    'until, in Athens, on the last time',
    inZone('Europe/Athens', '20261019T010000', 'FREQ=DAILY;UNTIL=20261021T220000Z;INTERVAL=1'),
  ),
  one(
    'until, in Tokyo, in the morning',
    inZone('Asia/Tokyo', '20261019T080000', 'FREQ=DAILY;UNTIL=20261022T230000Z'),
  ),
  one(
    'until, in New York, in the evening',
    inZone('America/New_York', '20261019T210000', 'FREQ=DAILY;UNTIL=20261023T010000Z'),
  ),
  one(
    'until, in New York, a minute too early',
    inZone('America/New_York', '20261019T210000', 'FREQ=DAILY;UNTIL=20261023T005900Z'),
  ),
  one('until, over the night the clocks change', [
    'DTSTART;TZID=America/New_York:20261028T230000',
    'DURATION:PT30M',
    'RRULE:FREQ=DAILY;UNTIL=20261104T040000Z',
  ]),
  one('until a date, of whole days', ['DTSTART;VALUE=DATE:20261005', 'RRULE:FREQ=DAILY;UNTIL=20261009']),
  one('until, in UTC', [
    'DTSTART:20261005T090000Z',
    'DTEND:20261005T100000Z',
    'RRULE:FREQ=DAILY;UNTIL=20261008T090000Z',
  ]),
  one('until, of the clock on the wall', [
    'DTSTART:20261005T090000',
    'DTEND:20261005T100000',
    'RRULE:FREQ=DAILY;UNTIL=20261008T090000',
  ]),
  one('until, long over', [
    'DTSTART:20240105T090000Z',
    'DTEND:20240105T100000Z',
    'RRULE:FREQ=DAILY;UNTIL=20240308T090000Z',
  ]),
];

const CHANGED: OddCalendar[] = [
  changed('one time moved', DAILY, [
    ['RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261007T150000Z', 'DTEND:20261007T160000Z'],
  ]),
  changed('one time called off', DAILY, [
    [
      'RECURRENCE-ID:20261007T090000Z',
      'DTSTART:20261007T090000Z',
      'DTEND:20261007T100000Z',
      'STATUS:CANCELLED',
    ],
  ]),
  changed('one time made free', DAILY, [
    [
      'RECURRENCE-ID:20261007T090000Z',
      'DTSTART:20261007T090000Z',
      'DTEND:20261007T100000Z',
      'TRANSP:TRANSPARENT',
    ],
  ]),
  changed('one time made longer', DAILY, [
    ['RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261007T090000Z', 'DTEND:20261007T130000Z'],
  ]),
  changed('one time moved to another day', ATHENS, [
    [
      'RECURRENCE-ID;TZID=Europe/Athens:20261026T090000',
      'DTSTART;TZID=Europe/Athens:20261028T140000',
      'DTEND;TZID=Europe/Athens:20261028T150000',
    ],
  ]),
  changed('one time named in UTC, of a series with a zone', ATHENS, [
    ['RECURRENCE-ID:20261026T070000Z', 'DTSTART:20261027T070000Z', 'DTEND:20261027T080000Z'],
  ]),
  changed('two times moved onto one', DAILY, [
    ['RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261009T150000Z', 'DTEND:20261009T160000Z'],
    ['RECURRENCE-ID:20261008T090000Z', 'DTSTART:20261009T170000Z', 'DTEND:20261009T180000Z'],
  ]),
  changed(
    'one whole day moved',
    ['DTSTART;VALUE=DATE:20261005', 'DTEND;VALUE=DATE:20261006', 'RRULE:FREQ=WEEKLY;COUNT=3'],
    [['RECURRENCE-ID;VALUE=DATE:20261012', 'DTSTART;VALUE=DATE:20261014', 'DTEND;VALUE=DATE:20261015']],
  ),
  changed(
    'one moved and one excepted',
    [...DAILY, 'EXDATE:20261006T090000Z'],
    [['RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261007T150000Z', 'DTEND:20261007T160000Z']],
  ),
  changed(
    'this time and all that follow, two hours later',
    DAILY,
    [
      [
        'RECURRENCE-ID;RANGE=THISANDFUTURE:20261008T090000Z',
        'DTSTART:20261008T110000Z',
        'DTEND:20261008T130000Z',
      ],
    ],
    { readers: ['icalendar'], why: 'it reads RANGE as if it were not there (RFC 5545, 3.2.13)' },
  ),
  calendar('a single time of a series that is not in the file', [
    ...event('RECURRENCE-ID:20261007T090000Z', 'DTSTART:20261007T150000Z', 'DTEND:20261007T160000Z'),
  ]),
];

const LISTED: OddCalendar[] = [
  one('further times', [
    'DTSTART:20261005T090000Z',
    'DTEND:20261005T100000Z',
    'RDATE:20261012T090000Z,20261013T110000Z',
  ]),
  one('further times in a zone', [
    'DTSTART;TZID=Europe/Athens:20261005T090000',
    'DURATION:PT45M',
    'RDATE;TZID=Europe/Athens:20261027T090000',
  ]),
  one(
    'a further time with a length of its own',
    ['DTSTART:20261005T090000Z', 'DTEND:20261005T100000Z', 'RDATE;VALUE=PERIOD:20261012T090000Z/PT3H'],
    NO_PERIODS,
  ),
  one(
    'a further time with an end of its own',
    [
      'DTSTART:20261005T090000Z',
      'DTEND:20261005T100000Z',
      'RDATE;VALUE=PERIOD:20261012T090000Z/20261012T113000Z',
    ],
    NO_PERIODS,
  ),
  one('a further time that the rule gives too', [...DAILY, 'RDATE:20261007T090000Z']),
  one('further whole days', ['DTSTART;VALUE=DATE:20261005', 'RDATE;VALUE=DATE:20261012,20261019']),
  one('exceptions, one line each', [...DAILY, 'EXDATE:20261006T090000Z', 'EXDATE:20261008T090000Z']),
  one('exceptions in one line', [...DAILY, 'EXDATE:20261006T090000Z,20261008T090000Z']),
  one('exceptions in a zone', [...ATHENS, 'EXDATE;TZID=Europe/Athens:20261026T090000']),
  one('an exception in UTC of a series with a zone', [...ATHENS, 'EXDATE:20261026T070000Z']),
  one('the first time excepted', [...DAILY, 'EXDATE:20261005T090000Z']),
  one('a further time excepted again', [...DAILY, 'RDATE:20261020T090000Z', 'EXDATE:20261020T090000Z']),
  one('an exception of whole days', [
    'DTSTART;VALUE=DATE:20261005',
    'RRULE:FREQ=DAILY;COUNT=4',
    'EXDATE;VALUE=DATE:20261006',
  ]),
];

const DAYS: OddCalendar[] = [
  one('a whole day', ['DTSTART;VALUE=DATE:20261014']),
  one('three whole days', ['DTSTART;VALUE=DATE:20261014', 'DTEND;VALUE=DATE:20261017']),
  one('the day on which the clocks go back', ['DTSTART;VALUE=DATE:20261025', 'DTEND;VALUE=DATE:20261026']),
  one('whole days, weekly, over that day', [
    'DTSTART;VALUE=DATE:20261018',
    'DTEND;VALUE=DATE:20261019',
    'RRULE:FREQ=WEEKLY;COUNT=3',
  ]),
  one('two days by their length', ['DTSTART;VALUE=DATE:20261024', 'DURATION:P2D']),
  one('a week by its length', ['DTSTART;VALUE=DATE:20261019', 'DURATION:P1W']),
  one('a shift over midnight', ['DTSTART:20261014T220000', 'DTEND:20261015T060000']),
  one('a shift over the night the clocks go back', [
    'DTSTART;TZID=Europe/London:20261024T220000',
    'DTEND;TZID=Europe/London:20261025T060000',
  ]),
  one(
    'an hour that exists twice',
    ['DTSTART;TZID=Europe/London:20261025T013000', 'DURATION:PT15M'],
    FIRST_OF_TWO,
  ),
  one(
    'an hour that exists twice, in New York',
    ['DTSTART;TZID=America/New_York:20261101T013000', 'DURATION:PT15M'],
    FIRST_OF_TWO,
  ),
  one('from one zone to another', [
    'DTSTART;TZID=Europe/London:20261014T100000',
    'DTEND;TZID=Europe/Athens:20261014T160000',
  ]),
  one('begun before and ended within', ['DTSTART:20260930T100000Z', 'DTEND:20261002T100000Z']),
];

const RULES: OddCalendar[] = [
  one('the last Friday of each month', [
    'DTSTART:20260925T090000Z',
    'DTEND:20260925T100000Z',
    'RRULE:FREQ=MONTHLY;BYDAY=-1FR',
  ]),
  one('the last weekday of each month', [
    'DTSTART:20260930T090000Z',
    'DTEND:20260930T100000Z',
    'RRULE:FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1',
  ]),
  one('the thirty-first, where there is one', [
    'DTSTART:20260831T090000Z',
    'DTEND:20260831T100000Z',
    'RRULE:FREQ=MONTHLY;BYMONTHDAY=31',
  ]),
  one('every second week, on two days', [
    'DTSTART:20261006T090000Z',
    'DTEND:20261006T100000Z',
    'RRULE:FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,SU;WKST=MO',
  ]),
  one('the same, with weeks that begin on Sunday', [
    'DTSTART:20261006T090000Z',
    'DTEND:20261006T100000Z',
    'RRULE:FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,SU;WKST=SU',
  ]),
  one('in certain weeks of the year', [
    'DTSTART:20261005T090000Z',
    'DTEND:20261005T100000Z',
    'RRULE:FREQ=YEARLY;BYWEEKNO=41,43,45;BYDAY=MO',
  ]),
  one('in the last but some week of the year', [
    'DTSTART:20261123T090000Z',
    'DTEND:20261123T100000Z',
    'RRULE:FREQ=YEARLY;BYWEEKNO=-6;BYDAY=MO',
  ]),
  one('on a day of the year', [
    'DTSTART:20261027T090000Z',
    'DTEND:20261027T100000Z',
    'RRULE:FREQ=YEARLY;BYYEARDAY=300',
  ]),
  one('the fourth Thursday of November', [
    'DTSTART:20251127T090000Z',
    'DTEND:20251127T100000Z',
    'RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=4TH',
  ]),
  one('twice a day', [
    'DTSTART:20261005T090000Z',
    'DTEND:20261005T093000Z',
    'RRULE:FREQ=DAILY;COUNT=6;BYHOUR=9,17',
  ]),
  one('every six hours', [
    'DTSTART:20261005T030000Z',
    'DTEND:20261005T040000Z',
    'RRULE:FREQ=HOURLY;INTERVAL=6;COUNT=9',
  ]),
  one('daily in October only', [
    'DTSTART:20261028T090000Z',
    'DTEND:20261028T100000Z',
    'RRULE:FREQ=DAILY;BYMONTH=10;UNTIL=20261105T000000Z',
  ]),
  one('every weekday, begun years ago', [
    'DTSTART;TZID=Europe/London:20200106T090000',
    'DTEND;TZID=Europe/London:20200106T170000',
    'RRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR',
  ]),
  one('yearly, on a leap day', ['DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY']),
];

const HARBOUR = [
  'BEGIN:VTIMEZONE',
  'TZID:Harbour Time',
  'BEGIN:STANDARD',
  'DTSTART:19701025T030000',
  'RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU',
  'TZOFFSETFROM:+0300',
  'TZOFFSETTO:+0200',
  'END:STANDARD',
  'BEGIN:DAYLIGHT',
  'DTSTART:19700329T020000',
  'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU',
  'TZOFFSETFROM:+0200',
  'TZOFFSETTO:+0300',
  'END:DAYLIGHT',
  'END:VTIMEZONE',
];

/** A line folded between the two bytes of its letter "é". */
const foldedInLetter = () => {
  const text = textOf(...event('DESCRIPTION:Relève au moulin', 'DTSTART:20261014T100000Z', 'DURATION:PT1H'));
  const bytes = Buffer.from(text);
  const at = bytes.indexOf(Buffer.from('è')) + 1;
  return Buffer.concat([bytes.subarray(0, at), Buffer.from('\r\n '), bytes.subarray(at)]);
};

const WRITTEN: OddCalendar[] = [
  calendar('a zone of its own that changes its clocks', [
    ...HARBOUR,
    ...event('DTSTART;TZID=Harbour Time:20261023T090000', 'DURATION:PT1H', 'RRULE:FREQ=DAILY;COUNT=4'),
  ]),
  one(
    'a zone by its name in Windows',
    inZone('Romance Standard Time', '20261023T090000', 'FREQ=DAILY;COUNT=4'),
  ),
  one('another such zone', ['DTSTART;TZID=Eastern Standard Time:20261014T100000', 'DURATION:PT1H']),
  one(
    'a zone by a longer name',
    ['DTSTART;TZID=/millbrook.example/zones/Europe/Athens:20261014T100000', 'DURATION:PT1H'],
    {
      readers: ['icalendar', 'khal'],
      why: 'they know no name but the short one; the first takes the time for the reader’s own',
    },
  ),
  one('a zone in quotation marks', ['DTSTART;TZID="Europe/Athens":20261014T100000', 'DURATION:PT1H']),
  { name: 'a fold within a letter', bytes: foldedInLetter(), otherwise: ONLY_UTF8 },
  {
    name: 'UTF-16',
    bytes: Buffer.from(`\uFEFF${textOf(...event('DTSTART:20261014T100000Z', 'DURATION:PT1H'))}`, 'utf16le'),
    otherwise: {
      readers: ['icalendar', 'khal'],
      why: 'they read UTF-8 alone, as RFC 5545 asks; programs write this all the same',
    },
  },
  {
    name: 'Latin letters of one byte',
    bytes: Buffer.from(
      textOf(...event('DESCRIPTION:Relève', 'DTSTART:20261014T100000Z', 'DURATION:PT1H')),
      'latin1',
    ),
    otherwise: ONLY_UTF8,
  },
  { name: 'bare line feeds', bytes: Buffer.from(textOf(...event(...DAILY)).replaceAll('\r\n', '\n')) },
  calendar(
    'free and busy',
    [
      'BEGIN:VFREEBUSY',
      'UID:f',
      'DTSTAMP:20260901T000000Z',
      'DTSTART:20261001T000000Z',
      'DTEND:20261101T000000Z',
      'FREEBUSY;FBTYPE=BUSY:20261014T100000Z/20261014T113000Z',
      'FREEBUSY:20261015T090000Z/PT2H',
      'FREEBUSY;FBTYPE=FREE:20261016T100000Z/PT1H',
      'FREEBUSY:20261017T100000Z/PT30M',
      'END:VFREEBUSY',
    ],
    { readers: ['khal'], why: 'it reads events alone' },
  ),
];

/** Seventy calendars and one, of kinds that programs write and readers mistake. */
export const ODD_CALENDARS: readonly OddCalendar[] = [
  ...UNTIL,
  ...CHANGED,
  ...LISTED,
  ...DAYS,
  ...RULES,
  ...WRITTEN,
];
