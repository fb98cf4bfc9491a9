/** Out again: one's own post that was not posted there after all, or one that was pasted in. */
export const TakeOut = (props: { slug: string; post: number; own: boolean; name: string }) => (
  <form action={removePostAt(props.slug, props.post)} method="post" className="inline">
    <button className={props.own ? 'btn' : 'link min-h-6 text-[13px]'}>
      {props.own ? 'It is not posted there after all' : 'Take this post out'}
      <span className="sr-only">: {props.name}</span>
    </button>
  </form>
);
import { removePostAt } from '@/contract/addresses';
