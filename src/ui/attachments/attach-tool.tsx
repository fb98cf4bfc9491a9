'use client';

import { Paperclip } from 'lucide-react';
import { useRef } from 'react';
import { Tool } from '../writing/editor/tool';
import type { SendingFiles } from './sending';

/** Picks pictures and files of this machine. */
export function AttachTool({ sending }: { sending: SendingFiles }) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Tool label="Picture or file" run={() => picker.current?.click()}>
        <Paperclip size={16} aria-hidden />
      </Tool>
      <input
        ref={picker}
        type="file"
        multiple
        hidden
        aria-label="Pictures or files to attach"
        onChange={(e) => {
          sending.add([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
    </>
  );
}
