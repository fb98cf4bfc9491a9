import type { CollegeView } from '@/contract/stewards';

/** Where help is found: telephone, mail, hours. */
export function Help({ college }: { college: CollegeView }) {
  const { telephone, mail, hours } = college.help;
  if (!telephone && !mail) return null;
  return (
    <p className="text-[13px] text-ink-2">
      Help from {college.name}:{' '}
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
