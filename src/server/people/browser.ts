import Bowser from 'bowser';

/** A browser as its owner would name it. @example browserOf('') // 'A browser' */
export function browserOf(agent: string): string {
  const { browser, os } = Bowser.parse(agent || ' ');
  return `${browser.name ?? 'A browser'}${os.name ? ` on ${os.name}` : ''}`;
}
