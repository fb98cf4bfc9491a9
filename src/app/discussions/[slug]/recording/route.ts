import { recordingForm } from '../../../_request/recording';

/** The recording of a prompt, put in place or taken away. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  const { slug } = await context.params;
  return recordingForm(request, { kind: 'discussion', slug }, `/discussions/${slug}/response`);
}
