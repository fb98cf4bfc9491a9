import { responseAt } from '@/contract/addresses';
import { recordingForm } from '../../../_request/recording';

/** The recording of a prompt, put in place or taken away. */
export const POST = recordingForm('discussion', responseAt);
