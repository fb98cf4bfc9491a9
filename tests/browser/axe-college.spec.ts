import { visitEach } from './axe';
import { database, enterAs, startAfresh } from './help';
import { test } from './test';

test.beforeAll(() => startAfresh());

const idOf = async (table: 'people' | 'courses', where: Record<string, string>): Promise<string> => {
  const db = database();
  try {
    return ((await db(table).where(where).first('id')) as { id: string }).id;
  } finally {
    await db.destroy();
  }
};

visitEach('the account, and getting in', async () => [
  ['the account', '/account'],
  ['leaving a course', `/account/leave?course=${await idOf('courses', { code: 'GEO 115' })}`],
  ['a forgotten password', '/password/forgotten'],
  ['an account for oneself', '/account/new'],
  ['an invitation without its key', '/invitation'],
  ['the mailbox', '/mailbox'],
]);

visitEach(
  'the stewards’ pages',
  async (page) => {
    await enterAs(page, 'Agnes Thorwald', '/stewards');
    return [
      ['at a glance', '/stewards'],
      ['people', '/stewards/people'],
      ['one of the people', `/stewards/people/${await idOf('people', { name: 'Noor Vasquez' })}`],
      ['courses', '/stewards/courses'],
      ['a course', `/stewards/courses/${await idOf('courses', { code: 'SND 130' })}`],
      ['the log', '/stewards/log'],
      ['the college', '/stewards/college'],
      ['what was put right of prompts', '/stewards/corrections'],
    ];
  },
  'Agnes Thorwald',
);
