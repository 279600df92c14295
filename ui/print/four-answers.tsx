import { StyleSheet, Text, View } from '@react-pdf/renderer';

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
/** What fits on one line of a page beside its question. */
const ONE_LINE = 112;
const clipped = (words: string): string =>
  words.length <= ONE_LINE ? words : `${words.slice(0, words.lastIndexOf(' ', ONE_LINE - 2))} …`;

/** The four answers at the head of a paper, a line each. */
export const FourAnswersPrint = ({ answers }: { answers: readonly PrintedAnswer[] }) => (
  <View style={style.box}>
    {answers.map(({ question, answer }) => (
      <Text key={question}>
        <Text style={style.question}>{question} </Text>
        {clipped(answer)}
      </Text>
    ))}
  </View>
);
/** How many lines of a page they take. */
export const FOUR_ANSWERS_LINES = 5;
