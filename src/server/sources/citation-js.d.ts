/** The little of the citation package that is used here; it ships no types of its own. */
declare module '@citation-js/core' {
  export class Cite {
    constructor(data: unknown, options?: { forceType?: string });
    data: unknown[];
    format(kind: 'bibtex'): string;
    format(
      kind: 'citation' | 'bibliography',
      options: { template: string; format: 'text' | 'html'; lang: string },
    ): string;
  }
  export const plugins: {
    config: { get(name: '@csl'): { templates: { add(name: string, style: string): void } } };
  };
}
declare module '@citation-js/plugin-bibtex';
declare module '@citation-js/plugin-csl';
