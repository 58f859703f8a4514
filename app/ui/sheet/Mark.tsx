import { Link } from "react-router";

/** The name with its bell, drawn for this program. */
export function Mark() {
  return (
    <Link data-part="mark" to="/">
      <svg viewBox="0 0 32 32" aria-hidden="true">
        <path d="M5 22h22l-2.6-3.4V13A8.4 8.400 0 0 0 16 4.600 8.400 8.400 0 0 0 7.600 13v5.600z" fill="currentColor" />
        <path d="M12.500 25a3.500 3.500 0 0 0 7 0z" fill="var(--chakra-colors-accent-solid)" />
      </svg>
      <span>Apron Bell</span>
    </Link>
  );
}
