import { data } from "react-router";

export const loader = () => {
  throw data("There is no page at this address.", { status: 404 });
};
export const action = loader;

export default function Nowhere() {
  return null;
}
