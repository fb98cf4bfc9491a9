'use client';

import { useEffect } from 'react';

/** Less than this is a bar of the browser's, and no keyboard. */
const KEYBOARD_PX = 120;

/**
 * Tells the styles how much of the page a phone's keyboard covers (`--keyboard`), and that one is open (`data-keyboard` on the root element).
 * Where the browser makes the page itself smaller, nothing is covered.
 */
export function useKeyboard() {
  useEffect(() => {
    const view = window.visualViewport;
    if (!view) return undefined;
    const root = document.documentElement;
    const measure = () => {
      const covered = Math.max(0, Math.round(innerHeight - view.height - view.offsetTop));
      // Zoomed in, the view is smaller without any keyboard.
      const open = covered > KEYBOARD_PX && view.scale < 1.05;
      root.style.setProperty('--keyboard', open ? `${covered}px` : '0px');
      if (open) root.dataset.keyboard = '';
      else delete root.dataset.keyboard;
    };
    measure();
    view.addEventListener('resize', measure);
    view.addEventListener('scroll', measure);
    return () => {
      view.removeEventListener('resize', measure);
      view.removeEventListener('scroll', measure);
      root.style.removeProperty('--keyboard');
      delete root.dataset.keyboard;
    };
  }, []);
}
