import { StyleSheet, View } from '@react-pdf/renderer';
import { Text } from './text';

/** One of the questions everybody asks, with its answer in one sentence. */
export interface PrintedAnswer {
  readonly question: string;
  readonly answer: string;
}

const style = StyleSheet.create({
  box: {
    borderTopWidth: 0.6,
    borderBottomWidth: 0.6,
    borderColor: '#000',
    paddingVertical: 1.5,
    marginVertical: 2,
  },
  question: { fontWeight: 600 },
});
/** Letters that fit on one line of a page, the question among them. */
const ONE_LINE = 120;
const clipped = (answer: string, question: string): string => {
  const room = ONE_LINE - question.length;
  return answer.length <= room ? answer : `${answer.slice(0, answer.lastIndexOf(' ', room - 2))} …`;
};

/** The four answers at the head of a paper, a line each. */
export const FourAnswersPrint = ({ answers }: { answers: readonly PrintedAnswer[] }) => (
  <View style={style.box}>
    {answers.map(({ question, answer }) => (
      <Text key={question}>
        <Text style={style.question}>{question} </Text>
        {clipped(answer, question)}
      </Text>
    ))}
  </View>
);
