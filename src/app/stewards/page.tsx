import { stewardsAt } from '@/contract/addresses';
import { stewardHome } from '@/server/stewards/home';
import { Home } from '@/ui/stewards/home';
import { requireSteward, StewardsFrame } from '../_request/stewards';

export const metadata = { title: 'People and courses' };

export default async function StewardsHome() {
  const { who } = await requireSteward(stewardsAt());
  const home = await stewardHome(who.deps);
  return (
    <StewardsFrame
      who={who}
      here={stewardsAt()}
      room="home"
      title={home.college.name || 'A college without a name'}
    >
      <Home home={home} zone={who.actor.timeZone} />
    </StewardsFrame>
  );
}
