/** What a book's archive says it is, in its first entry (EPUB 3.3, OCF). */
export const EPUB = 'application/epub+zip';
