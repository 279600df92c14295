import { Text as PlainText } from '@react-pdf/renderer';
import { Children, type ComponentProps, type ReactNode } from 'react';
import { printable } from './letters';

/** Words on a sheet, in letters that the sheet can print. */
export const Text = ({ children, ...rest }: ComponentProps<typeof PlainText> & { children?: ReactNode }) => (
  <PlainText {...rest}>
    {Children.map(children, (each) => (typeof each === 'string' ? printable(each) : each))}
  </PlainText>
);
