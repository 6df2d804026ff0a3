// The pieces that every screen is made of: what they refuse, what they say, where the focus goes.
import { act, configure, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { at, press, router, went, write } from '../testing/here';
import { Stage } from '../testing/orchard';
import { settled } from '../testing/settled';
import { Button } from './Button';
import { Choice } from './Choice';
import { Field } from './Field';
import { keepFocus } from './focusKeeper';
import { LengthField } from './LengthField';
import { leavePage, useLeaveGuard } from './leaveGuard';
import { NumberField } from './NumberField';
import { SaveButton } from './SaveButton';

jest.mock('expo-router', () => require('../testing/here').router);
configure({ defaultHidden: true });

const show = (element: React.ReactElement) => render(element, { wrapper: Stage });

describe('a number', () => {
  const onChange = jest.fn();
  beforeEach(() => onChange.mockClear());
  const field = () =>
    show(<NumberField label="Litres" unit="L" value={5} least={0.5} most={15} onChange={onChange} />);

  test.each([
    ['0.5', 0.5],
    ['15', 15],
    ['1,25', 1.25],
  ])('“%s” is taken', (text, value) => {
    field();
    write('Litres, L', text);
    expect(onChange).toHaveBeenLastCalledWith(value);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test.each(['0.49', '15.1', 'abc', '', '-1'])('“%s” is refused in words, and nothing changes', (text) => {
    field();
    write('Litres, L', text);
    expect(onChange).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toBe('From 0.5 to 15 L.');
    expect(screen.getByLabelText('Litres, L').getAttribute('aria-invalid')).toBe('true');
    // Left as it is, what was typed stays to be mended
    fireEvent.blur(screen.getByLabelText('Litres, L'));
    expect((screen.getByLabelText('Litres, L') as HTMLInputElement).value).toBe(text);
  });
});

describe('a length', () => {
  const onChange = jest.fn();
  const onClear = jest.fn();
  beforeEach(() => {
    onChange.mockClear();
    onClear.mockClear();
  });

  test.each([
    ['40', 40],
    ['1.2 m', 120],
    ['16 in', 40.64],
    ['0', 0],
    ['180', 180],
  ])('“%s” is taken as %d cm', (text, cm) => {
    show(<LengthField label="Edge" cm={10} leastCm={0} mostCm={180} onChange={onChange} />);
    write('Edge, cm', text);
    expect(onChange.mock.calls.at(-1)?.[0]).toBeCloseTo(cm, 6);
  });

  test.each(['181', 'far', '-1'])('“%s” is refused', (text) => {
    show(<LengthField label="Edge" cm={10} leastCm={0} mostCm={180} onChange={onChange} />);
    write('Edge, cm', text);
    expect(onChange).not.toHaveBeenCalled();
    expect(screen.getByRole('alert')).toBeTruthy();
  });

  test('one that may be unknown is emptied, one that may not is not', () => {
    const { unmount } = show(
      <LengthField label="Edge" cm={10} leastCm={0} mostCm={180} onChange={onChange} onClear={onClear} />,
    );
    write('Edge, cm', '');
    expect(onClear).toHaveBeenCalledTimes(1);
    unmount();
    show(<LengthField label="Edge" cm={10} leastCm={0} mostCm={180} onChange={onChange} />);
    write('Edge, cm', '');
    expect(onClear).toHaveBeenCalledTimes(1);
    expect(screen.getByRole('alert')).toBeTruthy();
  });
});

describe('a choice', () => {
  function Few({ manual = false }: { manual?: boolean }) {
    const [value, setValue] = useState<string | null>(null);
    const options = ['one', 'two', 'three'].map((name) => ({ value: name, label: name }));
    return <Choice label="Which" options={options} value={value} onChange={setValue} manual={manual} />;
  }
  const group = () => screen.getByRole('radiogroup', { name: 'Which' });
  const checked = () =>
    screen.getAllByRole('radio').find((element) => element.getAttribute('aria-checked') === 'true')
      ?.textContent ?? null;
  const key = (name: string) => fireEvent.keyDown(group(), { key: name });

  test('arrows choose, round the end and back', () => {
    show(<Few />);
    key('ArrowRight');
    expect(checked()).toBe('two');
    key('ArrowLeft');
    key('ArrowLeft');
    expect(checked()).toBe('three');
    key('ArrowDown');
    expect(checked()).toBe('one');
  });

  test('where a choice changes the page arrows only move; Enter and space choose', () => {
    show(<Few manual />);
    const [first] = screen.getAllByRole('radio');
    first?.focus();
    key('ArrowRight');
    expect(checked()).toBeNull();
    expect(document.activeElement?.textContent).toBe('two');
    key('Enter');
    expect(checked()).toBe('two');
    key('ArrowRight');
    key(' ');
    expect(checked()).toBe('three');
  });

  test('another key does nothing', () => {
    show(<Few />);
    key('Tab');
    expect(checked()).toBeNull();
  });
});

describe('Save', () => {
  const onSave = jest.fn();
  beforeEach(() => onSave.mockClear());

  test('says what is missing and saves nothing', () => {
    show(
      <SaveButton onSave={onSave} missing="say first what it is.">
        Save
      </SaveButton>,
    );
    press('Save');
    expect(screen.getByRole('alert').textContent).toBe('Not saved: say first what it is.');
    expect(onSave).not.toHaveBeenCalled();
  });

  test('goes to the first field that cannot be used, and counts the others', () => {
    show(
      <main>
        <Field label="Good" value="1" onChangeText={() => {}} />
        <Field label="Bad" value="x" fault="No." onChangeText={() => {}} />
        <Field label="Worse" value="y" fault="No." onChangeText={() => {}} />
        <SaveButton onSave={onSave}>Save</SaveButton>
      </main>,
    );
    press('Save');
    expect(document.activeElement).toBe(screen.getByLabelText('Bad'));
    expect(screen.getByText('Not saved: “Bad” cannot be used as it is, and 1 more.')).toBeTruthy();
    expect(onSave).not.toHaveBeenCalled();
  });

  test('while it is saved it says so, and takes no second press', () => {
    show(
      <SaveButton onSave={onSave} saving>
        Save
      </SaveButton>,
    );
    const button = screen.getByRole('button');
    expect(button.textContent).toBe('Saving …');
    expect(button).toHaveProperty('disabled', true);
    fireEvent.click(button);
    expect(onSave).not.toHaveBeenCalled();
  });
});

describe('a form that is left', () => {
  function Form({ changed }: { changed: boolean }) {
    const leaving = useLeaveGuard(changed, 'The tree');
    const { navigate } = router.useRouter();
    return (
      <>
        <a href="/plan">Plan</a>
        <a href="/api/trees.csv">File</a>
        <a href="https://elsewhere.test/">Elsewhere</a>
        <Button onPress={() => leaving.ask(() => navigate('/asked'))}>Cancel</Button>
        <Button onPress={() => leaving.leave(() => navigate('/saved'))}>Saved</Button>
        {leaving.question}
      </>
    );
  }
  const asked = () => screen.queryByText('The tree has changes that are not saved.') !== null;
  /** Whether the page was left alone by a press on a link. */
  const held = (name: string) => !fireEvent.click(screen.getByText(name));
  beforeEach(() => {
    went.length = 0;
    at.path = '/round/a/edit';
  });

  test('without changes nothing is asked, by button, link or key', () => {
    show(<Form changed={false} />);
    press('Cancel');
    act(() => leavePage(() => void went.push(['key', 'g p'])));
    expect(went).toEqual([
      ['navigate', '/asked'],
      ['key', 'g p'],
    ]);
    expect(asked()).toBe(false);
  });

  test('with changes each way out of the page asks; files and other sites are let go', () => {
    show(<Form changed />);
    expect(held('Plan')).toBe(true);
    expect(asked()).toBe(true);
    press('Stay here');
    expect(asked()).toBe(false);
    act(() => leavePage(() => void went.push(['key', 'g p'])));
    expect(asked()).toBe(true);
    press('Stay here');
    expect(held('File')).toBe(false);
    expect(held('Elsewhere')).toBe(false);
    expect(asked()).toBe(false);
    expect(went).toEqual([]);
  });

  test('what was meant is done once it is confirmed, and what was saved is not asked about', async () => {
    const { unmount } = show(<Form changed />);
    press('Cancel');
    press('Leave, lose the changes');
    await waitFor(() => expect(went).toEqual([['navigate', '/asked']]));
    unmount();
    show(<Form changed />);
    press('Saved');
    await waitFor(() => expect(went.at(-1)).toEqual(['navigate', '/saved']));
    expect(asked()).toBe(false);
  });

  test('closing the window with changes is asked about by the browser, without them not', () => {
    const closing = () => {
      const event = new Event('beforeunload', { cancelable: true });
      window.dispatchEvent(event);
      return event.defaultPrevented;
    };
    const { rerender, unmount } = show(<Form changed />);
    expect(closing()).toBe(true);
    rerender(<Form changed={false} />);
    expect(closing()).toBe(false);
    unmount();
    expect(closing()).toBe(false);
  });
});

describe('the focus', () => {
  function Page({ button, sheet = false }: { button: 'there' | 'gone'; sheet?: boolean }) {
    return (
      <main tabIndex={-1}>
        {button === 'gone' ? null : <button type="button">Save</button>}
        <button type="button">Other</button>
        {sheet ? (
          <div role="dialog">
            <button type="button">In the sheet</button>
          </div>
        ) : null}
      </main>
    );
  }
  let stop = () => {};
  beforeEach(() => {
    stop = keepFocus();
  });
  afterEach(() => stop());

  test('of a button that is gone goes to the page', async () => {
    const { rerender } = show(<Page button="there" />);
    screen.getByText('Save').focus();
    rerender(<Page button="gone" />);
    await settled();
    expect(document.activeElement).toBe(document.querySelector('main'));
  });

  test('goes to the sheet that lies over the page', async () => {
    const { rerender } = show(<Page button="there" />);
    screen.getByText('Save').focus();
    rerender(<Page button="gone" sheet />);
    await settled();
    expect(document.activeElement?.textContent).toBe('In the sheet');
  });

  test('stays where it is when something else goes', async () => {
    const { rerender } = show(<Page button="there" />);
    screen.getByText('Other').focus();
    rerender(<Page button="gone" />);
    await settled();
    expect(document.activeElement?.textContent).toBe('Other');
  });
});
