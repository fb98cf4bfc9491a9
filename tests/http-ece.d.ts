/** The part of it that opens what is sealed for a device (RFC 8188). */
declare module 'http_ece' {
  import type { ECDH } from 'node:crypto';
  const ece: {
    decrypt: (body: Buffer, how: { version: 'aes128gcm'; privateKey: ECDH; authSecret: string }) => Buffer;
  };
  export default ece;
}
