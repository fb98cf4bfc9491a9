import { errorForLog } from './log';

it('tells of an error what kind it is and where it came from, and no word that anybody wrote', () => {
  const secret = 'my grandmother’s house';
  const errors = [
    new SyntaxError(`Unexpected token 'm', "${secret}" is not valid JSON`),
    Object.assign(new Error(`insert into … - invalid input syntax for type uuid: "${secret}"`), {
      code: '22P02',
      detail: `Failing row contains (1, ${secret}).`,
      where: secret,
      table: 'posts',
    }),
    new Error(`first line\n${secret}`),
    secret,
  ];
  for (const error of errors) expect(JSON.stringify(errorForLog(error))).not.toContain('grandmother');
  expect(errorForLog(errors[1])).toMatchObject({ kind: 'Error', code: '22P02', table: 'posts' });
});
