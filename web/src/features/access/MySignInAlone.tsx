import Antd from "../../ui/Antd";
import { MySignIn } from "./MySignIn";

/** The same for a page that is not made of Ant Design. */
export default function MySignInAlone({ onClose }: { onClose: () => void }) {
  return (
    <Antd>
      <MySignIn onClose={onClose} />
    </Antd>
  );
}
