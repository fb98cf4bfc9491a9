/**
 * Responses of six invented discussions, each with where its writer stands (labelled by reading, before anything was run) and what the
 * argument rests on. Two are of another view where they stand on opposite sides, and close where they stand on the same and rest
 * on the same thing.
 */
export type Labelled = { side: 'one' | 'other' | 'neither'; about: string; text: string };
export type LabelledDiscussion = { prompt: string; responses: Labelled[] };

export const DISCUSSIONS: LabelledDiscussion[] = [
  {
    prompt:
      'The town owns an old tram depot. Should it be turned into a market hall, or pulled down for housing? Say which you would do and why. Use one idea from the chapter.',
    responses: [
      {
        side: 'one',
        about: 'stalls need cheap rent',
        text: 'I would turn the depot into a market hall. My aunt sells cheese from a van because no shop in the centre lets to anybody who cannot pay a year ahead. A hall with forty small stalls and a cheap rent by the day is how people start. The chapter calls this a low threshold, and I like that the word is about doors.',
      },
      {
        side: 'other',
        about: 'waiting list for flats',
        text: 'Pull it down. There are eleven hundred families on the waiting list for flats and I am the oldest child of one of them. A market hall is lovely on a Saturday, but nobody sleeps in it. Sixty flats on that plot would move the list more than anything the council has done since I was born.',
      },
      {
        side: 'one',
        about: 'stalls need cheap rent',
        text: 'My answer is the market hall. What keeps small traders out is rent by the year, so stalls that one can take by the day, cheap, are worth more than another row of shops. I worked two summers on a stall and I paid nine a day for it. Nobody starts a business from nothing if the door costs a thousand.',
      },
      {
        side: 'neither',
        about: 'history of trams',
        text: 'I want to say something about the trams first. The depot was built in 1908 and the roof has no pillars, which was new then. My great-grandfather drove line four. I have read both plans and I find it hard to decide; perhaps the people who live in that street should be asked before anybody draws anything.',
      },
      {
        side: 'other',
        about: 'noise at night',
        text: 'Housing. I have lived over a market for six years and the first lorry comes at half past three. People who want a market hall think of bread and flowers and I think of crates. Build flats there, with a yard in the middle, and let the market stay in the square where it already is.',
      },
    ],
  },
  {
    prompt:
      'Our library will either stay open on Sundays with volunteers, or close on Sundays and keep its paid staff on weekdays. Which would you choose? Give a reason and an example.',
    responses: [
      {
        side: 'one',
        about: 'students with jobs',
        text: 'Keep it open on Sundays. I work Monday to Saturday in a bakery and Sunday is the only day on which I can sit somewhere quiet that is not my kitchen. The volunteers in my town know less than the librarians, that is true. They know how to unlock a door, though, and that is what I need.',
      },
      {
        side: 'other',
        about: 'volunteers replace wages',
        text: 'I would close on Sundays. Each time a volunteer does a job for nothing, somebody upstairs learns that the job can be had for nothing. At my old school the sports hall went that way, first the weekend, then the caretaker. Pay people properly from Monday to Friday and be honest about Sunday.',
      },
      {
        side: 'neither',
        about: 'a third way',
        text: 'Why only these two? Our library has a machine: you put your card in and the door opens, there is a camera, and nobody has to be there at all. I have used it at six in the morning. I think both choices in the question come from a time before that machine.',
      },
      {
        side: 'other',
        about: 'volunteers replace wages',
        text: 'No Sunday, in my opinion. Volunteers are wonderful people and they are also how wages disappear. In the museum where I guide we were eight who got paid, then volunteers came for the weekends, now there are three of us. I would rather have a closed door once a week than a library without librarians.',
      },
      {
        side: 'one',
        about: 'a warm place',
        text: 'For me it should stay open on Sundays, and the reason is heating. In January there are old men in our reading room who turn one page an hour. They are there because it is warm. A warm room run by volunteers is better than a cold one run by nobody.',
      },
    ],
  },
  {
    prompt:
      'A nurse finds that a colleague has taken two sleeping tablets from the ward. Was she right to report it at once? Take a side and defend it with one principle from the reading.',
    responses: [
      {
        side: 'one',
        about: 'patients first',
        text: 'Yes. The principle is non-maleficence, and the ones who could be harmed are lying in the beds. I have been a care assistant for four years and a tired colleague with tablets in her is a danger before anybody has asked her why. Reporting is not punishing; it begins the asking.',
      },
      {
        side: 'other',
        about: 'talk first',
        text: 'No. She should have spoken to the colleague first. Two tablets are a cry and not a theft, and a report can never be taken back. The reading speaks of respect for persons, and respect begins with five minutes in the linen room. If that fails one can still go to the office.',
      },
      {
        side: 'one',
        about: 'rules for everyone',
        text: 'I support her. Where I trained there was one rule for doctors and another for everybody else, and the tablets went missing by the box. Justice means that the cupboard has one key and one book. She did what the book says, at once, and I would trust a ward where somebody does.',
      },
      {
        side: 'neither',
        about: 'what the manager did',
        text: 'What interests me is the manager. In the case she waits nine days before she does anything, and nobody in the forum has mentioned that. Whether the nurse was right or wrong, the system failed both of them. I looked up how long our own hospital takes and the policy says two days.',
      },
      {
        side: 'other',
        about: 'talk first',
        text: 'I would say no, it was not right at once. A report is heavy and it falls on one person. Speak first, in private, the same evening, and you may find out that her mother is dying. Respect for persons asks for that talk. I made this mistake with a friend in the kitchen where I work.',
      },
    ],
  },
  {
    prompt:
      'Should schools give up homework in the first four years? Argue for or against, with one study from the list.',
    responses: [
      {
        side: 'one',
        about: 'homes are unequal',
        text: 'I am for giving it up. Homework measures the kitchen table. In my class there were two of us who did it in the back of a shop, and the others had a desk and a father with a degree. Cooper finds almost no effect at that age anyway, so what we keep is the difference between homes.',
      },
      {
        side: 'other',
        about: 'habit',
        text: 'I am against giving it up. Ten minutes an evening is not a burden, it is a habit, like teeth. My son reads to the dog because the teacher wrote "read to somebody" and he still does it in the holidays. The effect in the study is small in the first years and grows, and it grows on something.',
      },
      {
        side: 'one',
        about: 'homes are unequal',
        text: 'Yes, give it up. What a child of seven hands in says more about the home than about the child: who has time, who has a desk, who speaks the language. I translated my sister’s sheets for two years, in a shop, between customers. Cooper’s effect for these ages is close to nothing.',
      },
      {
        side: 'neither',
        about: 'depends on kind',
        text: 'It depends what is meant by homework. If it is a sheet of sums I see little use; if it is asking a grandmother where she went to school, I would not want to lose it. The study on the list counts minutes, and minutes are the one thing I do not care about.',
      },
      {
        side: 'other',
        about: 'parents see',
        text: 'No, keep it. It is the only window I have. My daughter tells me that school was "fine" and then the exercise book tells me that she writes all her b’s as d’s. Without homework I would have found that out in year three.',
      },
    ],
  },
  {
    prompt:
      'You run a small orchestra. Would you play to a click track so that the film can be shown above you, or drop the film and play freely? Choose, and describe one moment in the piece where it matters.',
    responses: [
      {
        side: 'other',
        about: 'breath',
        text: 'I would drop the film. In the slow movement the oboe holds a note until she has no breath left, and that is never the same length twice. A click would take the breath away from her and give it to a machine. People can watch the film at home.',
      },
      {
        side: 'one',
        about: 'audience comes for film',
        text: 'Play to the click. Be honest, the hall is full because of the film. I sold tickets for two years and when there is a picture on the poster we sell all of them, and when there is only a composer we sell the front rows to our parents. At the storm the drum and the wave have to meet, and they will.',
      },
      {
        side: 'other',
        about: 'breath',
        text: 'Free, without the film. The moment for me is the pause before the last chord. Our conductor breathes in and forty people breathe in with him, and how long that takes depends on the room. With a click in my ear I stop breathing and start counting. I would choose the breath.',
      },
      {
        side: 'neither',
        about: 'technique of clicks',
        text: 'Something practical: a click track can have a tempo map, so it need not be stiff, and only the conductor has to hear it. We did that in a musical and I was second desk. The oboe was late, the film waited, nobody noticed. So I am not sure the question is as sharp as it looks.',
      },
      {
        side: 'one',
        about: 'learning ensemble',
        text: 'I would take the click track and I would be glad of it. We are amateurs. In the fugue the violas run away every single time, I am one of them, and a click is the only teacher who never gets angry. The film above us is a reason to learn it.',
      },
    ],
  },
  {
    prompt:
      'The harbour company can dredge the channel deeper for large ships, or keep it as it is and stay a port for small ones. What should it do? Use the terms economies of scale and externality.',
    responses: [
      {
        side: 'one',
        about: 'jobs',
        text: 'It should dredge. Economies of scale are not a theory in my family: my father loads, and a ship with eight thousand boxes is three days of work and one with four hundred is a morning. If we stay small the work goes forty miles down the coast and my father does not.',
      },
      {
        side: 'other',
        about: 'mud and mussels',
        text: 'Keep it as it is. What comes up with the mud is the externality: the mussel beds lie behind the second buoy and a dredger turns that water brown for a year. My neighbour has a licence for those beds and nobody has put her into the sum.',
      },
      {
        side: 'other',
        about: 'mud and mussels',
        text: 'I am for the small port. The externality here has a place and a name, it is the mussel bank behind the second buoy. Dredging stirs mud over it for a year and the fishers carry that cost alone. Cheaper boxes for everybody, no mussels for twelve families.',
      },
      {
        side: 'neither',
        about: 'who decides',
        text: 'I wonder who is "it" in this question. The harbour company belongs half to the city and half to a fund that nobody at home has heard of. Before asking what it should do I would like to know who gets up in the meeting. Economies of scale look different from a fund.',
      },
      {
        side: 'one',
        about: 'cheaper goods',
        text: 'Dredge the channel, I say, and do it before the others do. The cost of a box falls by a third on the big ships and that is the price of shoes in the shop. I know about the mud. A levy on each box could pay for that, which is what one does with an externality.',
      },
    ],
  },
];
