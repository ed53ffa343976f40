/** The frame says that there is nothing here; an address that is none draws nothing more. */
export default function NotFound() {
  return null;
}
