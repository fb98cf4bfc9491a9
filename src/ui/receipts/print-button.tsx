'use client';

export const PrintButton = () => (
  <button type="button" className="btn hidden scripted:inline-flex" onClick={() => window.print()}>
    Print this page
  </button>
);
