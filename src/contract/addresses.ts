/** What stands in the place of an address's names, in their order. */
type Names<Path extends string> = Path extends `${string}:${string}/${infer Rest}`
  ? [string | number, ...Names<`/${Rest}`>]
  : Path extends `${string}:${string}`
    ? [string | number]
    : [];
type Query = Readonly<Record<string, string | number | null | undefined>>;

/** The makers of one kind of address: with its names filled in, and what is asked beside; what is null is left out. */
const address =
  <const Path extends string>(path: Path) =>
  (...given: [...Names<Path>, query?: Query]): string => {
    const names = [...given] as (string | number | Query | undefined)[];
    const filled = path.replace(/:[a-z]+/giu, () => encodeURIComponent(String(names.shift())));
    const query = Object.entries((names[0] ?? {}) as Query).flatMap(([key, value]) =>
      value === null || value === undefined ? [] : [[key, String(value)]],
    );
    return query.length ? `${filled}?${new URLSearchParams(query)}` : filled;
  };

/*
 * Every page and form of ours. What scripts ask for and get in JSON is in the tables of endpoints beside this.
 */

export const weekAt = address('/');
export const signInAt = address('/sign-in');
export const enterAt = address('/sign-in/enter');
export const secondStepAt = address('/sign-in/second');
export const takeSecondStepAt = address('/sign-in/second/enter');
/** Where an installation for one person lets its own machine in. */
export const ownSignInAt = address('/sign-in/mine');
/** To the college's own sign-on, and back from it. */
export const signOnAt = address('/sign-in/elsewhere');
export const signOnBackAt = address('/sign-in/elsewhere/back');
export const signOutAt = address('/sign-out');
export const beginAt = address('/begin');
export const invitationAt = address('/invitation');
export const passwordAt = address('/password');
export const forgottenAt = address('/password/forgotten');
export const confirmAddressAt = address('/account/address');
/** Where a key from a mail is handed over: it comes back as a cookie of the page it is for. */
export const keyAt = address('/keys/:purpose');
export const aloneAt = address('/account/new');
export const accountAt = address('/account');
export const archiveAt = address('/account/archive');
export const bringArchiveAt = address('/account/archive/bring');
export const devicesAt = address('/account/devices');
export const secondFactorAt = address('/account/second');
export const dropPasskeyAt = address('/account/passkeys/drop');
export const changePictureAt = address('/account/picture');
/** Somebody's picture; `v` changes with it. */
export const pictureAt = address('/people/:id/picture');
export const markAt = address('/college/mark');
export const leaveAt = address('/account/leave');
export const leaveForGoodAt = address('/account/leave/go');
export const mailboxAt = address('/mailbox');
/** Answers a mail of the demo as a mail program would. */
export const answerMailAt = address('/mailbox/answer');

export const stewardsAt = address('/stewards');
export const stewardsPeopleAt = address('/stewards/people');
export const stewardsPersonAt = address('/stewards/people/:id');
export const personActAt = address('/stewards/people/:id/act');
export const forgetPersonAt = address('/stewards/people/:id/forget');
export const invitationActAt = address('/stewards/invitations/:id');
export const stewardsCoursesAt = address('/stewards/courses');
export const stewardsCourseAt = address('/stewards/courses/:id');
export const courseActAt = address('/stewards/courses/:id/act');
export const bringRosterAt = address('/stewards/courses/:id/rosters');
export const rosterAt = address('/stewards/rosters/:id');
export const rosterActAt = address('/stewards/rosters/:id/act');
export const stewardsLogAt = address('/stewards/log');
export const stewardsCorrectionsAt = address('/stewards/corrections');
export const correctionsActAt = address('/stewards/corrections/act');
export const collegeAt = address('/stewards/college');
export const changeMarkAt = address('/stewards/college/mark');

export const themeAt = address('/settings/theme');
export const demoClockAt = address('/demo/clock');
export const clockAt = address('/clock');
export const verifyAt = address('/verify');
export const findAt = address('/find');

export const discussionsAt = address('/discussions');
export const discussionAt = address('/discussions/:slug');
export const responseAt = address('/discussions/:slug/response');
export const conversationAt = address('/discussions/:slug/conversation');
export const partAt = address('/discussions/:slug/part');
/** What a student says about the comments on their part. */
export const partCommentsAt = address('/discussions/:slug/part/comments');
export const partAgainAt = address('/discussions/:slug/part/again');
/** The rooms of a discussion, each by its name. */
const ROOMS = { response: responseAt, conversation: conversationAt, part: partAt };
export const roomAt = (slug: string, room: keyof typeof ROOMS, query: Query = {}) => ROOMS[room](slug, query);
export const exportsAt = address('/discussions/:slug/exports');
export const moderationLogAt = address('/discussions/:slug/moderation');
export const briefAt = address('/discussions/:slug/brief');
export const sourceAt = address('/discussions/:slug/source');
export const sureToShareAt = address('/discussions/:slug/share');
export const promptEditAt = address('/discussions/:slug/prompt/edit');
export const exportAt = address('/discussions/:slug/exports/file');
export const discussionFeedAt = address('/discussions/:slug/feed');
export const liveAt = address('/discussions/:slug/live');
export const arrangementAt = address('/discussions/:slug/arrangement');
export const moreTimeAt = address('/discussions/:slug/more-time');
export const discussionTroubleAt = address('/discussions/:slug/trouble');
export const estimateAt = address('/discussions/:slug/estimate');
export const viewingsAt = address('/discussions/:slug/viewings');
/** One's shelf of sources as a file. */
export const shelfFileAt = address('/discussions/:slug/sources/:form');
export const pastedAt = address('/discussions/:slug/pasted');
export const removeDiscussionAt = address('/discussions/:slug/remove');
export const promptRecordingAt = address('/discussions/:slug/recording');
export const readsAt = address('/discussions/:slug/reads');
export const noteToSelfAt = address('/discussions/:slug/note-to-self');
export const postsAt = address('/discussions/:slug/posts');
export const postAt = address('/discussions/:slug/posts/:post');
export const reactionsAt = address('/discussions/:slug/posts/:post/reactions');
export const editPostAt = address('/discussions/:slug/posts/:post/edit');
export const postHistoryAt = address('/discussions/:slug/posts/:post/history');
export const withdrawAt = address('/discussions/:slug/posts/:post/withdraw');
export const removePostAt = address('/discussions/:slug/posts/:post/remove');

/** Everything one noted to oneself. */
export const notebookAt = address('/notebook');
export const notebookFileAt = address('/notebook/file');

/** What is asked and told in a course, and each question by its number. */
export const allQuestionsAt = address('/questions');
export const questionsAt = address('/courses/:course/questions');
export const questionsAskedAt = address('/courses/:course/questions/asked');
export const questionAt = address('/courses/:course/questions/:number');
export const questionActAt = address('/courses/:course/questions/:number/act');

export const courseAt = address('/courses/:course');
export const courseWeekAt = address('/courses/:course/weeks/:week');
/** The same as a book for reading programs. */
export const courseWeekBookAt = address('/courses/:course/weeks/:week/book');
export const syllabusAt = address('/courses/:course/syllabus');
export const peopleAt = address('/courses/:course/people');
/** What a course says to whoever begins it. */
export const beginningAt = address('/courses/:course/begin');
export const editBeginningAt = address('/courses/:course/begin/edit');
/** Where a draft is handed to the staff. */
export const handOverAt = address('/discussions/:slug/handed');
/** Every change of what a discussion asks for. */
export const promptChangesAt = address('/discussions/:slug/prompt/changes');
/** The course desk: for who teaches the course. */
export const deskAt = address('/courses/:course/desk');
export const deskWeekAt = address('/courses/:course/desk/weeks');
export const deskTakeOverAt = address('/courses/:course/desk/take-over');
export const deskTakeOneAt = address('/courses/:course/desk/take-one');
export const deskClassAt = address('/courses/:course/desk/class');
export const deskClassActAt = address('/courses/:course/desk/class/act');
export const deskHoursAgainAt = address('/courses/:course/desk/class/again');
export const deskCartridgeAt = address('/courses/:course/desk/cartridge');
export const deskCartridgeInAt = address('/courses/:course/desk/cartridge/in');
export const deskCartridgeFileAt = address('/courses/:course/desk/cartridge/file');
export const termCalendarAt = address('/courses/:course/desk/cartridge/term');
export const deskSyllabusAt = address('/courses/:course/desk/syllabus');
export const signSyllabusAt = address('/courses/:course/syllabus/sign');
export const deskGoesAt = address('/courses/:course/desk/how-it-goes');
export const deskGroupsAt = address('/courses/:course/desk/groups');
export const deskGroupsActAt = address('/courses/:course/desk/groups/act');
export const ownTimesAt = address('/courses/:course/people/times');
export const deskSettingsAt = address('/courses/:course/desk/settings');
export const deskSettingsChangeAt = address('/courses/:course/desk/settings/change');
export const deskMendedAt = address('/courses/:course/desk/mended');
export const deskMoveAt = address('/courses/:course/desk/move');
export const deskNewAt = address('/courses/:course/desk/new');
export const deskIntakesAt = address('/courses/:course/desk/prompts');
export const deskPromptAt = address('/courses/:course/desk/prompts/:id');
export const deskAwayAt = address('/courses/:course/desk/prompts/:id/away');
export const deskDiscussionAt = address('/courses/:course/desk/:slug');
export const deskRulesAt = address('/courses/:course/desk/:slug/rules');
export const deskRubricAt = address('/courses/:course/desk/:slug/rubric');
export const deskHandedAt = address('/courses/:course/desk/:slug/handed');
export const deskAsStudentAt = address('/courses/:course/desk/:slug/as-student');
export const deskDatesAt = address('/courses/:course/desk/:slug/dates');
export const deskAgainAt = address('/courses/:course/desk/:slug/again');
export const deskMarkingAt = address('/courses/:course/desk/:slug/marking');
export const deskMarksTableAt = address('/courses/:course/desk/:slug/marking/table');
export const deskMarksFileAt = address('/courses/:course/desk/:slug/marking/file');
export const deskBringMarksAt = address('/courses/:course/desk/:slug/marking/brought');
export const deskBroughtMarksAt = address('/courses/:course/desk/:slug/marking/brought/:id');
export const deskBroughtMarksActAt = address('/courses/:course/desk/:slug/marking/brought/:id/act');
export const deskMarkingActAt = address('/courses/:course/desk/:slug/marking/act');
export const deskPartsAt = address('/courses/:course/desk/:slug/parts');
export const deskActAt = address('/courses/:course/desk/:slug/act');
export const announcementsAt = address('/courses/:course/announcements');
export const newAnnouncementAt = address('/courses/:course/announcements/new');
export const takeBackAnnouncementAt = address('/courses/:course/announcements/:id/take-back');
export const newReadingAt = address('/courses/:course/readings');
export const courseFileAt = address('/files/:id');

export const readingAt = address('/readings/:slug');
export const editReadingAt = address('/readings/:slug/edit');
export const readingTextAt = address('/readings/:slug/text');
export const readingTroubleAt = address('/readings/:slug/trouble');
export const readingRecordingAt = address('/readings/:slug/recording');
export const notesAt = address('/readings/:slug/notes');
export const noteAt = address('/readings/:slug/notes/:id');
export const importNotesAt = address('/readings/:slug/notes/import');
export const savedNotesAt = address('/readings/:slug/notes.jsonld');
export const recordingAt = address('/recordings/:id');

export const attachmentAt = address('/attachments/:id');
export const thumbnailAt = address('/attachments/:id/thumbnail');
export const posterAt = address('/attachments/:id/poster');
export const captionsAt = address('/attachments/:id/captions');
export const embedAt = address('/embeds/frame');

export const receiptAt = address('/receipts/:post');
export const receiptFileAt = address('/receipts/:post/receipt.json');

export const progressAt = address('/progress');
export const calendarAt = address('/calendar');
export const planAt = address('/calendar/plan');
export const habitsAt = address('/calendar/habits');
export const sittingsFileAt = address('/calendar/plan/sittings.ics');
export const elsewhereAt = address('/calendar/elsewhere');
export const busyAt = address('/calendar/busy');
export const removeBusyAt = address('/calendar/busy/remove');
/** Calendars of other places: followed, left, and what one of them names looked through. */
export const followCalendarAt = address('/calendar/followed');
export const unfollowCalendarAt = address('/calendar/followed/remove');
export const calendarOffersAt = address('/calendar/followed/:id');
export const calendarFeedAt = address('/calendar/feed');
export const calendarStreamAt = address('/feeds/:token/calendar.ics');
export const postsStreamAt = address('/feeds/:token/posts.atom');

export const newOutsideAt = address('/outside/new');
/** Where a device's own sharing lands; the worker of a page answers it. */
export const sharedToAt = address('/outside/shared');
/** The public keys of receipts (RFC 7517), where programs look for such things (RFC 8615). */
export const receiptKeysAt = address('/.well-known/jwks.json');
/** Leads to what is owed first. */
export const nextAt = address('/next');
export const outsideAt = address('/outside/:id');
/** What was found on a page that was brought in, block by block; and where it is said anew. */
export const foundAt = address('/outside/:id/posts');
export const foundSaidAt = address('/outside/:id/said');
/** The discussions of a term that a plan names, row by row; and where they are said anew. */
export const termAt = address('/outside/:id/term');
export const termSaidAt = address('/outside/:id/term/said');
/** A newer copy of a discussion's page. */
export const newerCopyAt = address('/discussions/:slug/newer');
export const newerIntakesAt = address('/discussions/:slug/newer/intakes');
export const intakesAt = address('/outside/intakes');
export const putAwayAt = address('/outside/:id/put-away');

export const noticesAt = address('/notices');
export const unseenNoticesAt = address('/notices/unseen');
export const noticesSeenAt = address('/notices/seen');
export const noticeRulesAt = address('/notices/rules');
export const mailOnAt = address('/notices/mail');
export const eachDiscussionAt = address('/notices/each');
export const chooseWayAt = address('/notices/each/:slug');
/** Opens what a notice is about; its reader has seen it then. */
export const openNoticeAt = address('/notices/:id/open');
/** From a mail: its kind is sent no more. */
export const lessMailAt = address('/less-mail/:token');
/** Where that is done: one press in a mail program leads here (RFC 8058), or the page's button. */
export const lessMailNowAt = address('/less-mail/:token/now');
