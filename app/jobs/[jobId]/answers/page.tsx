import { AnswersBench } from './_parts/answers-bench';

export const metadata = { title: 'Answers' };

export default function Answers() {
  return <AnswersBench />;
}
