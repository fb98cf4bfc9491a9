import { escapeHtml } from '../document/written';

/**
 * What a Common Cartridge (1EdTech, version 1.3) carries of a course: sections in order, each with discussion topics, pages and files.
 * Topics and pages are HTML.
 */
export type CartridgeItem =
  | { kind: 'topic'; title: string; html: string }
  | { kind: 'page'; title: string; html: string }
  | { kind: 'file'; title: string; name: string; bytes: Uint8Array };
export type CartridgeSection = { title: string; items: CartridgeItem[] };
export type Cartridge = { title: string; sections: CartridgeSection[] };

const CP = 'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1';
const DT = 'http://www.imsglobal.org/xsd/imsccv1p3/imsdt_v1p3';
const LOM = 'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest';
const XSI = 'http://www.w3.org/2001/XMLSchema-instance';
const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n';

/** The name of a file in an archive: letters that every system can write. */
const plain = (name: string) =>
  name
    .normalize('NFKD')
    .replace(/[^\w.-]+/gu, '-')
    .replace(/^[.-]+|-+$/gu, '')
    .slice(0, 80) || 'file';

const topicXml = (title: string, html: string) =>
  `${HEAD}<topic xmlns="${DT}" xmlns:xsi="${XSI}" xsi:schemaLocation="${DT} http://www.imsglobal.org/profile/cc/ccv1p3/ccv1p3_imsdt_v1p3.xsd">
  <title>${escapeHtml(title)}</title>
  <text texttype="text/html">${escapeHtml(html)}</text>
</topic>
`;

const pageHtml = (title: string, html: string) =>
  `<!doctype html>\n<html><head><meta charset="utf-8"><title>${escapeHtml(title)}</title></head><body>${html}</body></html>\n`;

type Placed = { item: CartridgeItem; id: string; type: string; href: string; bytes: Uint8Array };

const TYPES = { topic: 'imsdt_xmlv1p3', page: 'webcontent', file: 'webcontent' } as const;

function placed(item: CartridgeItem, id: string): Placed {
  const text = new TextEncoder();
  const type = TYPES[item.kind];
  switch (item.kind) {
    case 'topic':
      return {
        item,
        id,
        type,
        href: `topics/${id}.xml`,
        bytes: text.encode(topicXml(item.title, item.html)),
      };
    case 'page':
      return {
        item,
        id,
        type,
        href: `pages/${id}.html`,
        bytes: text.encode(pageHtml(item.title, item.html)),
      };
    case 'file':
      return { item, id, type, href: `files/${id}/${plain(item.name)}`, bytes: item.bytes };
  }
}

/**
 * A course as the entries of a cartridge, by their names in the archive: the manifest, then one file for each item. Identifiers are
 * made by place, so that the same course gives the same cartridge.
 *
 * @example cartridgeEntries({ title: 'Rivers', sections: [] }).size // 1
 */
export function cartridgeEntries({ title, sections }: Cartridge): Map<string, Uint8Array> {
  const all = sections.map((section, s) => ({
    section,
    items: section.items.map((item, i) => placed(item, `r${s + 1}-${i + 1}`)),
  }));
  const organization = all
    .map(
      ({ section, items }, s) =>
        `        <item identifier="s${s + 1}">
          <title>${escapeHtml(section.title)}</title>
${items
  .map(
    ({ id, item }) =>
      `          <item identifier="i-${id}" identifierref="${id}"><title>${escapeHtml(item.title)}</title></item>\n`,
  )
  .join('')}        </item>\n`,
    )
    .join('');
  const resources = all
    .flatMap(({ items }) => items)
    .map(({ id, type, href }) => {
      const at = escapeHtml(href);
      // A topic is found by its file; only web content has an address of its own.
      const address = type === 'webcontent' ? ` href="${at}"` : '';
      return `    <resource identifier="${id}" type="${type}"${address}><file href="${at}"/></resource>\n`;
    })
    .join('');
  const manifest = `${HEAD}<manifest identifier="manifest" xmlns="${CP}" xmlns:lomimscc="${LOM}" xmlns:xsi="${XSI}" xsi:schemaLocation="${CP} http://www.imsglobal.org/profile/cc/ccv1p3/ccv1p3_imscp_v1p2_v1p0.xsd ${LOM} http://www.imsglobal.org/profile/cc/ccv1p3/LOM/ccv1p3_lommanifest_v1p0.xsd">
  <metadata>
    <schema>IMS Common Cartridge</schema>
    <schemaversion>1.3.0</schemaversion>
    <lomimscc:lom><lomimscc:general><lomimscc:title><lomimscc:string language="en">${escapeHtml(title)}</lomimscc:string></lomimscc:title></lomimscc:general></lomimscc:lom>
  </metadata>
  <organizations>
    <organization identifier="organization" structure="rooted-hierarchy">
      <item identifier="root">
${organization}      </item>
    </organization>
  </organizations>
  <resources>
${resources}  </resources>
</manifest>
`;
  return new Map([
    ['imsmanifest.xml', new TextEncoder().encode(manifest)],
    ...all.flatMap(({ items }) => items.map(({ href, bytes }) => [href, bytes] as const)),
  ]);
}
