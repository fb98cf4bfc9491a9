import { answersWith } from './endpoint';

/** Notes that an announcement was read. */
export const readingAnnouncement = answersWith<null>()('POST', '/announcements/:id/read');
