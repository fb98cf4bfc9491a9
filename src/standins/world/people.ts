/** Everybody in the demo world; all of them are invented. The order decides nothing but who is offered first. */
export const STUDENTS = [
  'Imani Okoro',
  'Noor Vasquez',
  'Teodora Lind',
  'Rafi Castellan',
  'Desmond Aule',
  'Pilar Ostrom',
  'Jun Hathaway',
  'Kwame Sorley',
  'Brigid Tamm',
  'Anselm Quaye',
  'Lucinda Farrow',
  'Tomasz Wray',
  'Yesenia Holloway-Brandt',
  'Otto Maddern',
  'Farida Selkirk',
  'Hollis Penrose',
  'Mei-Lin Achterberg',
  'Dario Kestrel',
  'Saoirse Nightingale',
  'Viktor Amadi',
  'Clementine Roux',
  'Gareth Ivory',
  'Zainab Thorne',
  'Petra Lindqvist-Moyo',
  'Samuel Okafor-Reid',
  'Ines Calloway',
  'Bo Tranter',
  'Marguerite Sandoval',
  'Elijah Vance',
  'Nkechi Barrow',
  'Rosalind Achebe',
  'Theo Marchbanks',
  'Amara Whitlock',
  'Caspian Doyle',
  'Leila Fenwick',
  'Magnus Adair',
  'Priya Castellane',
  'Wendell Oduya',
  'Xanthe Morrow',
  'Ivo Sanderling',
] as const;

export const STAFF = [
  { name: 'Dr. Maren Holt', role: 'instructor', course: 'GEO 115' },
  { name: 'Prof. Elias Wick', role: 'instructor', course: 'PLA 204' },
  { name: 'Odile Marchetti', role: 'instructor', course: 'SND 130' },
  { name: 'Bastian Grey', role: 'assistant', course: 'GEO 115' },
] as const;

/** Who reads along in a course, and writes nothing. */
export const OBSERVER = { name: 'Philippa Orme', role: 'observer', course: 'GEO 115' } as const;

/** Who looks after the college's installation, and is in none of its courses. */
export const STEWARD = 'Agnes Thorwald';

/** The people the sign-in page of the demo offers. */
export const OFFERED: readonly string[] = [
  'Imani Okoro',
  'Noor Vasquez',
  'Desmond Aule',
  'Dr. Maren Holt',
  'Prof. Elias Wick',
  'Odile Marchetti',
  OBSERVER.name,
  STEWARD,
];

/** Where each course's 26 students sit in the list above: its first 14, then a stretch of its own. */
export const CLASSES: Record<string, readonly string[]> = {
  'GEO 115': STUDENTS.slice(0, 26),
  'PLA 204': [...STUDENTS.slice(0, 14), ...STUDENTS.slice(26, 38)],
  'SND 130': [...STUDENTS.slice(0, 10), ...STUDENTS.slice(18, 26), ...STUDENTS.slice(32, 40)],
};

export const DEMO_PASSWORD = 'a river has two banks';

export const emailOf = (name: string) =>
  `${name
    .replace(/^(Dr|Prof)\. /u, '')
    .toLowerCase()
    .replace(/[^a-z]+/gu, '.')}@tidewell.example`;
