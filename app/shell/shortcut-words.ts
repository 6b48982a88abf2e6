/** Words of the list of keyboard shortcuts. */
export const keysWords = {
  everywhere: {
    title: 'Everywhere',
    keys: [
      ['Ctrl K', 'search for an item'],
      ['Ctrl Z', 'undo'],
      ['Ctrl Shift Z', 'redo'],
      ['Esc', 'close what is open'],
      ['?', 'show this list'],
    ],
  },
  places: {
    queue: {
      title: 'In your queue',
      keys: [
        ['↑ ↓', 'move from item to item'],
        ['Enter', 'open the item'],
        ['→', 'move it to its next status'],
        ['Shift F10', 'show what you can do with it'],
      ],
    },
    table: {
      title: 'In this table',
      keys: [
        ['↑ ↓ ← →', 'move from cell to cell'],
        ['Enter F2', 'edit the cell, or open the item from its key'],
        ['Delete', 'clear the cell'],
        ['Tab', 'while editing: save, and go to the next cell'],
        ['Ctrl Enter', 'add an item'],
        ['Home End', 'first or last cell of the row; with Ctrl, of the table'],
        ['Shift ← →', 'on a column’s name: narrower or wider; Shift Home: its usual width; Alt ← →: another place'],
        ['Shift ↑ ↓', 'select a range of rows; Ctrl A: all, Ctrl Space: one more, Esc: none'],
        ['Ctrl C Ctrl V', 'copy the cell or the selected rows; paste cells from here on, as if typed'],
        ['Ctrl D', 'fill the selected rows with what the first of them has in this column'],
        ['Shift ← →', 'select cells; Shift and any arrow goes on, Delete clears them'],
        ['Ctrl F', 'find words in this view'],
        ['Alt →', 'put the row, or what is selected, inside the row above'],
        ['Alt ↑ ↓', 'move it up or down in the team’s order; on a group’s head: the group'],
        ['Alt Shift ↑ ↓', 'put it into the group above or below'],
        ['Shift F10', 'show what you can do with the item'],
      ],
    },
    outline: {
      title: 'In this outline',
      keys: [
        ['↑ ↓ ← →', 'move from cell to cell; on what holds others, fold and unfold it'],
        ['Enter F2', 'edit the cell, or open the item from its number'],
        ['Alt → ←', 'put it inside the item above, or take it out'],
        ['Alt ↑ ↓', 'move it up or down among its siblings'],
        ['1 to 9', 'on a number: open the outline to that level'],
        ['Shift ↑ ↓', 'select a range of rows; Ctrl A: all, Ctrl Space: one more, Esc: none'],
        ['Ctrl Enter', 'add an item'],
        ['Shift F10', 'show what you can do with the item'],
      ],
    },
    board: {
      title: 'On this board',
      keys: [
        ['↑ ↓ ← →', 'move from card to card'],
        ['Enter', 'open the item'],
        ['Space', 'pick the card up; arrows carry it, Space puts it down'],
        ['M', 'move it to another column'],
        ['Shift ↑ ↓', 'select cards of this column; Ctrl Space: one more, Ctrl A: all, Esc: none'],
        ['Shift F10', 'show what you can do with the item'],
      ],
    },
    people: {
      title: 'Among people',
      keys: [
        ['↑ ↓ ← →', 'move from cell to cell'],
        ['Enter', 'change what you’re on, or open the person'],
        ['Space', 'choose the person, to change several at once'],
        ['N', 'add people'],
        ['Shift F10', 'show what you can do with the person'],
      ],
    },
    setUp: {
      title: 'In the set-up of a project',
      keys: [
        ['↑ ↓ ← →', 'move from cell to cell'],
        ['Enter F2', 'change what you’re on'],
        ['Alt ↑ ↓', 'move it up or down'],
        ['Delete', 'remove it: first you see what that would change'],
        ['N', 'add one after it'],
        ['Shift F10', 'show what you can do with it'],
      ],
    },
    item: { title: 'On this page', keys: [['Esc', 'go back']] },
    bringIn: {
      title: 'While bringing in a file',
      keys: [
        ['F', 'go to the next row to fix'],
        ['Ctrl Enter', 'bring the items in'],
        ['Esc', 'leave without bringing anything in'],
      ],
    },
  },
} as const
