import { Document, Image, Page, renderToBuffer, StyleSheet, View } from '@react-pdf/renderer';
import type { DrawnSection } from '@/core/weigh';
import { PRINT_FAMILY, registerFonts } from './fonts';
import { printable } from './letters';
import { SectionPicture, type SectionSize } from './section-picture';
import { Text } from './text';

/** One block of a paper for the shop: what it is decides how it is set. */
export type PaperBlock =
  | { readonly is: 'heading'; readonly words: string }
  | { readonly is: 'lines'; readonly lines: readonly string[] }
  | { readonly is: 'warning'; readonly lines: readonly string[] }
  | {
      readonly is: 'table';
      readonly heads: readonly string[];
      /** Points each column is wide; the last takes what is left. */
      readonly widths: readonly number[];
      readonly rows: readonly (readonly string[])[];
      /** A box to cross at the head of each row. */
      readonly boxed?: true;
    }
  | { readonly is: 'tags'; readonly tags: readonly PaperTag[] }
  /** Pictures side by side, before and after; one that is not here is said. */
  | { readonly is: 'pairs'; readonly pairs: readonly PicturePair[] }
  /** Sections side by side, as found and as specified. */
  | { readonly is: 'sections'; readonly sections: readonly SectionPair[] };
export interface SectionPair {
  readonly words: string;
  readonly before: DrawnSection;
  readonly after: DrawnSection;
  readonly size: SectionSize;
}
export interface PicturePair {
  readonly words: string;
  /** JPEG. */
  readonly before?: Buffer;
  readonly after?: Buffer;
}
/** A tag that is tied to something: large words, small lines, a picture code. */
export interface PaperTag {
  readonly title: string;
  readonly lines: readonly string[];
  /** A PNG as a data address. */
  readonly code: string;
}
export interface Paper {
  readonly title: string;
  readonly under: string;
  readonly blocks: readonly PaperBlock[];
  readonly cautions: readonly string[];
  /** Who signs: a line each. */
  readonly signs: readonly string[];
}

const style = StyleSheet.create({
  page: {
    fontFamily: PRINT_FAMILY,
    fontSize: 9.5,
    padding: 30,
    paddingBottom: 40,
    color: '#000',
    lineHeight: 1.25,
  },
  head: { borderBottomWidth: 1.6, borderColor: '#000', paddingBottom: 3, marginBottom: 4 },
  tag: { fontSize: 16, fontWeight: 700, lineHeight: 1.3, marginBottom: 3 },
  section: { fontWeight: 700, fontSize: 11, marginTop: 8, marginBottom: 1 },
  bold: { fontWeight: 700 },
  row: { flexDirection: 'row', borderBottomWidth: 0.4, borderColor: '#777', paddingVertical: 2.2 },
  box: { borderWidth: 1, borderColor: '#000', padding: 4, marginTop: 8 },
  warn: { borderWidth: 1.6, borderColor: '#000', padding: 4, marginTop: 4 },
  foot: { position: 'absolute', bottom: 18, left: 30, right: 30, fontSize: 8, textAlign: 'right' },
});

/** A paper of the shop as PDF, black and white, on as many pages as it takes; each page says which it is. */
export async function paperPdf({ title, under, blocks, cautions, signs }: Paper): Promise<Buffer> {
  await registerFonts();
  return renderToBuffer(
    <Document title={title} producer="Ossatura" creator="Ossatura">
      <Page size="LETTER" style={style.page}>
        <View style={style.head}>
          <Text style={style.tag}>{title}</Text>
          <Text>{under}</Text>
        </View>
        {blocks.map((block, k) => (
          <Block key={k} block={block} />
        ))}
        {cautions.length > 0 && (
          <View style={style.box} wrap={false}>
            {cautions.map((caution) => (
              <Text key={caution}>{caution}</Text>
            ))}
          </View>
        )}
        {signs.length > 0 && (
          <View style={{ flexDirection: 'row', marginTop: 22, gap: 14 }} wrap={false}>
            {signs.map((what) => (
              <View key={what} style={{ flex: 1, borderTopWidth: 0.6, borderColor: '#000' }}>
                <Text>{what}, who, when</Text>
              </View>
            ))}
          </View>
        )}
        <Text
          style={style.foot}
          fixed
          render={({ pageNumber, totalPages }) => `${printable(title)}, page ${pageNumber} of ${totalPages}`}
        />
      </Page>
    </Document>,
  );
}

function Block({ block }: { block: PaperBlock }) {
  switch (block.is) {
    case 'heading':
      return (
        <Text style={style.section} minPresenceAhead={30}>
          {block.words}
        </Text>
      );
    case 'lines':
      return (
        <View>
          {block.lines.map((line) => (
            <Text key={line}>{line}</Text>
          ))}
        </View>
      );
    case 'warning':
      return (
        <View style={style.warn}>
          {block.lines.map((line) => (
            <Text key={line} style={style.bold}>
              {line}
            </Text>
          ))}
        </View>
      );
    case 'table':
      return <Table {...block} />;
    case 'tags':
      return (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
          {block.tags.map((tag) => (
            <Tag key={tag.title} tag={tag} />
          ))}
        </View>
      );
    case 'sections':
      return <Sections {...block} />;
    case 'pairs':
      return (
        <View>
          {block.pairs.map((pair, k) => (
            <Pair key={k} pair={pair} />
          ))}
        </View>
      );
    default:
      return block satisfies never;
  }
}

function Pair({ pair: { words, before, after } }: { pair: PicturePair }) {
  return (
    <View wrap={false} style={{ marginTop: 5 }}>
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {[before, after].map((bytes, k) => (
          <View key={k} style={{ width: 200, height: 150, borderWidth: 0.6, borderColor: '#000' }}>
            {bytes ? (
              // eslint-disable-next-line jsx-a11y/alt-text -- a PDF's picture takes none
              <Image
                src={{ data: bytes, format: 'jpg' }}
                style={{ width: '100%', height: '100%', objectFit: 'cover' }}
              />
            ) : (
              <Text style={{ padding: 8 }}>{k === 0 ? 'before' : 'after'}: the picture is not here</Text>
            )}
          </View>
        ))}
      </View>
      <Text>{words}</Text>
    </View>
  );
}

const Sections = ({ sections }: Extract<PaperBlock, { is: 'sections' }>) => (
  <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14, marginTop: 4 }}>
    {sections.map(({ words, before, after, size }) => (
      <View key={words} wrap={false}>
        <View style={{ flexDirection: 'row', gap: 4 }}>
          <SectionPicture drawn={before} size={size} heightPt={90} />
          <SectionPicture drawn={after} size={size} heightPt={90} />
        </View>
        <Text>{words}</Text>
      </View>
    ))}
  </View>
);

function Table({ heads, widths, rows, boxed }: Extract<PaperBlock, { is: 'table' }>) {
  const column = (k: number) => (k < heads.length - 1 ? { width: widths[k]!, paddingRight: 4 } : { flex: 1 });
  return (
    <View>
      <View style={{ ...style.row, ...style.bold }}>
        {boxed && <Text style={{ width: 18 }}> </Text>}
        {heads.map((head, k) => (
          <Text key={head} style={column(k)}>
            {head}
          </Text>
        ))}
      </View>
      {rows.map((cells, n) => (
        <View key={n} style={style.row} wrap={false}>
          {boxed && (
            <View style={{ width: 11, height: 11, marginRight: 7, borderWidth: 0.9, borderColor: '#000' }} />
          )}
          {cells.map((cell, k) => (
            <Text key={heads[k]} style={column(k)}>
              {cell}
            </Text>
          ))}
        </View>
      ))}
    </View>
  );
}

function Tag({ tag: { title, lines, code } }: { tag: PaperTag }) {
  return (
    <View
      wrap={false}
      style={{
        width: 270,
        height: 118,
        margin: 2,
        padding: 6,
        borderWidth: 0.8,
        borderStyle: 'dashed',
        borderColor: '#000',
        flexDirection: 'row',
      }}
    >
      <View style={{ width: 170, paddingRight: 6 }}>
        <Text style={{ fontSize: 13, fontWeight: 700, lineHeight: 1.15, marginBottom: 3 }}>{title}</Text>
        {lines.map((line) => (
          <Text key={line}>{line}</Text>
        ))}
      </View>
      {/* eslint-disable-next-line jsx-a11y/alt-text -- a PDF's picture takes none */}
      <Image src={code} style={{ width: 84, height: 84 }} />
    </View>
  );
}
