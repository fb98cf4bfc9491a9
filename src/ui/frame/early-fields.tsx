'use client';

import { useEffect } from 'react';
import { writeAgain } from './early';

/** Stands in every page, behind all else of it: once it is there, the page's scripts have taken over. */
export function EarlyFields() {
  useEffect(() => void writeAgain(), []);
  return null;
}
