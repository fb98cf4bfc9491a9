/** Whether people reach Pulpit over TLS. */
export const OVER_TLS = process.env.PULPIT_TLS === '1';
