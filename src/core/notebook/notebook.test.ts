import { instant } from '../ids';
import { notebookAsMarkdown, pagesWith, type NotebookPage } from './notebook';

const page = (week: number | null, title: string, body: string | null): NotebookPage => ({
  slug: `d-${week ?? 'course'}`,
  title,
  course: { code: 'GEO 115', slug: 'geo-115', title: 'Rivers' },
  week,
  writing: false,
  note: body === null ? null : { body, keptAt: instant(0) },
});
const PAGES = [
  page(null, 'Questions', 'Ask about the exam.'),
  page(5, 'Who owns the water under a field?', 'The Gauge of 2019, page 40'),
  page(6, 'Levees', null),
];

it('is found by all the words of a page, in whatever letters', () => {
  expect(pagesWith(PAGES, 'gauge 2019').map((p) => p.week)).toEqual([5]);
  expect(pagesWith(PAGES, 'gauge exam')).toEqual([]);
  expect(pagesWith(PAGES, '  ')).toHaveLength(3);
  expect(pagesWith(PAGES, 'levees')).toEqual([]);
});

it('is taken along by course and week, without what holds nothing', () => {
  expect(notebookAsMarkdown(PAGES, 'The course')).toBe(
    [
      '# GEO 115 Rivers',
      '',
      '## The course',
      '',
      'Ask about the exam.',
      '',
      '## Week 5: Who owns the water under a field?',
      '',
      'The Gauge of 2019, page 40',
      '',
    ].join('\n'),
  );
});
