/** The list of trees is the layout's own. */
export default function Plan() {
  return null;
}
