import { accountAt, mailboxAt, stewardsAt } from '@/contract/addresses';
import type { HelpFound } from '@/contract/account';
import { LifeBuoy, Mail, Phone, UserRound, UsersRound } from 'lucide-react';
import type { ComponentProps } from 'react';
import { initials } from '../words/plural';

/* What the menu of one's account is made of, with scripts and without. */

export type Account = {
  name: string;
  email: string;
  theme: string;
  demo: boolean;
  /** Looks after the installation. */
  steward: boolean;
  /** Where one's picture is seen. */
  picture: string | null;
  help: HelpFound | null;
  here: string;
};

export const item =
  'flex w-full min-h-9 items-center gap-2 rounded-[6px] px-3 py-1.5 text-left text-[13.5px] font-medium outline-none data-[highlighted]:bg-page-2 data-[highlighted]:ring-2 data-[highlighted]:ring-sky';

export const THEMES = [
  ['system', 'As the device'],
  ['light', 'Light'],
  ['dark', 'Dark'],
] as const;

export const STEPS = [
  ['3600000', '1 hour on'],
  ['21600000', '6 hours on'],
  ['86400000', '1 day on'],
  ['259200000', '3 days on'],
  ['-86400000', '1 day back'],
] as const;

/** Pages of one's own, and of the installation for who looks after it. */
export const linksOf = ({ demo, steward }: { demo: boolean; steward: boolean }) => [
  { href: accountAt(), label: 'Your account', Icon: UserRound },
  ...(steward ? [{ href: stewardsAt(), label: 'People and courses', Icon: UsersRound }] : []),
  ...(demo || steward ? [{ href: mailboxAt(), label: 'The mailbox', Icon: Mail }] : []),
];

/** One's own face in the bar. */
const Face = ({ name, picture }: Account) =>
  picture ? (
    // eslint-disable-next-line @next/next/no-img-element
    <img src={picture} alt="" width={36} height={36} className="size-9 rounded-full object-cover" />
  ) : (
    initials(name)
  );

/** The button that opens it. */
export const FaceButton = ({ account, ...rest }: { account: Account } & ComponentProps<'button'>) => (
  <button
    type="button"
    aria-label={`Account of ${account.name}`}
    aria-haspopup="menu"
    className="hidden size-9 place-items-center rounded-full bg-[#e9c873] text-[12.5px] font-bold text-[#473103] scripted:grid"
    {...rest}
  >
    <Face {...account} />
  </button>
);

/** And without scripts. */
export const FaceSummary = (account: Account) => (
  <summary
    aria-label={`Account of ${account.name}`}
    className="grid size-9 cursor-pointer list-none place-items-center rounded-full bg-[#e9c873] text-[12.5px] font-bold text-[#473103]"
  >
    <Face {...account} />
  </summary>
);

/** Where help is found, as links. */
export const waysToHelp = (help: HelpFound | null) => [
  ...(help?.telephone
    ? [{ href: `tel:${help.telephone.replace(/[^+\d]/gu, '')}`, label: help.telephone, Icon: Phone }]
    : []),
  ...(help?.mail ? [{ href: `mailto:${help.mail}`, label: help.mail, Icon: LifeBuoy }] : []),
];
