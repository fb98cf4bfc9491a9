/** The editor's position of a point in the rendered document: blocks say where they begin, text nodes how far it goes. */
export function positionOf(node: Node, offset: number): number | null {
  const element = node instanceof Element ? node : node.parentElement;
  const block = element?.closest('[data-pos]');
  if (!block) return null;
  let pos = Number(block.getAttribute('data-pos'));
  const walk = (at: Node): boolean => {
    if (at instanceof Element && at.hasAttribute('data-beside')) return at === node;
    if (at === node && at instanceof Text) {
      pos += offset;
      return true;
    }
    if (at instanceof Text) pos += at.length;
    else if (at instanceof HTMLBRElement) pos += 1;
    const children = [...at.childNodes];
    for (const [i, child] of children.entries()) {
      if (at === node && i === offset) return true;
      if (walk(child)) return true;
    }
    return at === node;
  };
  walk(block);
  return pos;
}
