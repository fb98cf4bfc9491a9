import { discussionInHtml } from './find-discussion';
import { rubricApart } from './rubric-apart';

const RUBRIC =
  '<table><tr><th>Criteria</th><th>Full (4 pts)</th><th>Part (2 pts)</th></tr><tr><td>Depth</td><td>Says why it is so</td><td>Says that it is so</td></tr></table>';
const post = (who: string, at: string, text: string) => `<li><p><b>${who}</b>, ${at}</p><p>${text}</p></li>`;
const POSTS = `<ul>${post('Grace Adeyemi', '12 Oct 2026, 09:00', 'A drone, which nobody should stop.')}${post('Bram Sole', '12 Oct 2026, 10:00', 'Bells, at six and at noon and at six.')}</ul>`;
const NOW = '2026-10-15T08:00';

describe('a page with a rubric in it', () => {
  it('has no posts by its criteria', () => {
    const page = `<h1>Whose noise?</h1><p>Say which sound you would stop.</p>${RUBRIC}`;
    expect(discussionInHtml(page, NOW).posts).toEqual([]);
  });

  it('has the posts that stand beside it, and the rubric is of the prompt', () => {
    for (const page of [
      `<h1>Whose noise?</h1><p>Say which sound you would stop, and who would have to stop it then, in your own words.</p>${RUBRIC}${POSTS}`,
      `<h1>Whose noise?</h1><p>Say which sound you would stop, and who would have to stop it then, in your own words.</p>${POSTS}${RUBRIC}`,
      `<h1>Whose noise?</h1><table><tr><td><p>Say which sound you would stop, and who would have to stop it then, in your own words.</p>${RUBRIC}</td></tr></table>${POSTS}`,
    ]) {
      const { posts, prompt } = discussionInHtml(page, NOW);
      expect(posts.map((p) => p.author)).toEqual(['Grace Adeyemi', 'Bram Sole']);
      expect(prompt?.html).toContain('Say which sound');
      expect(prompt?.html).toContain('<th>Full (4 pts)</th>');
    }
  });

  it('is left as it is where its table is another, and however deep it is nested', () => {
    const other = '<table><tr><td>Year</td><td>1950</td></tr></table>';
    expect(rubricApart(other)).toEqual({ html: other, rubric: null });
    const deep = `${'<div>'.repeat(50_000)}${RUBRIC}`;
    expect(rubricApart(deep)).toEqual({ html: deep, rubric: null });
    const inIt = RUBRIC.replace('Says why it is so', `${'<i>'.repeat(5_000)}Says why it is so`);
    expect(rubricApart(inIt).rubric).toBeNull();
  });
});
