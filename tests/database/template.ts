/** The database whose schema is up to date and that holds nothing: every test file begins with a copy of it. */
export const MIGRATED = 'migrated';
