import type { ReactNode } from 'react';
import type { CourseView } from '@/contract/course';
import { CoursePage } from '@/ui/courses/head';
import { DeskRooms, type DeskRoom } from '@/ui/desk/rooms';
import { AnswerLine } from '@/ui/frame/answer';
import { deskAnswer } from '@/ui/words/desk';
import { Frame } from './frame';
import type { Visitor } from './session';

/** The frame of a sheet on a course's desk, with what was answered to what was done there. */
export const DeskFrame = (props: {
  visitor: Visitor;
  here: string;
  course: CourseView;
  room: DeskRoom;
  answer?: string | undefined;
  children: ReactNode;
}) => (
  <Frame visitor={props.visitor} here={props.here} place="discussions" zone={props.course.zone}>
    <CoursePage course={props.course} room="desk" wide>
      <DeskRooms course={props.course.slug} here={props.room} />
      <AnswerLine answer={props.answer ? deskAnswer(props.answer) : null} />
      {props.children}
    </CoursePage>
  </Frame>
);
