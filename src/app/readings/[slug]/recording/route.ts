import { readingAt } from '@/contract/addresses';
import { recordingForm } from '../../../_request/recording';

/** The recording of a reading, put in place or taken away. */
export const POST = recordingForm('reading', readingAt);
