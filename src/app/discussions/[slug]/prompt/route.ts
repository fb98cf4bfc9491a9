import { putMaterial } from '../../../_request/material';

/** Puts a text that was changed on the desk in the prompt's place. */
export const PUT = async (request: Request, { params }: { params: Promise<{ slug: string }> }) =>
  putMaterial(request, { of: 'prompt', slug: (await params).slug });
