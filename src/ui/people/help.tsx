import type { HelpFound } from '@/contract/account';

/** Where help is found: telephone, mail, hours. */
export function Help({ help, className = 'text-[13px]' }: { help: HelpFound; className?: string }) {
  const { college, telephone, mail, hours } = help;
  if (!telephone && !mail) return null;
  return (
    <p className={`${className} text-ink-2`}>
      Help from {college}:{' '}
      {telephone ? (
        <a className="link" href={`tel:${telephone.replace(/[^+\d]/gu, '')}`}>
          {telephone}
        </a>
      ) : null}
      {telephone && mail ? ' · ' : ''}
      {mail ? (
        <a className="link" href={`mailto:${mail}`}>
          {mail}
        </a>
      ) : null}
      {hours ? ` · ${hours}` : ''}
    </p>
  );
}
