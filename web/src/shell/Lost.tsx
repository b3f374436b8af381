import { Link, useRouteError } from 'react-router';
import { buttonLook } from '../ui/Button.tsx';
import { Empty, Sheet } from '../ui/Sheet.tsx';

/** An address with nothing at it, or a screen that could not be drawn. */
export function Lost() {
  const error = useRouteError();
  return (
    <Sheet>
      <h1 className="pt-16 text-center">
        {error ? 'This screen could not be shown' : 'There is nothing here'}
      </h1>
      <Empty>
        <p>
          {error
            ? 'Nothing that was saved is lost. Go to Today and try again.'
            : 'Perhaps the address was mistyped, or the thing belongs to another kitchen.'}
        </p>
        <Link to="/" className={buttonLook({}, 'mt-6')}>
          Go to Today
        </Link>
      </Empty>
    </Sheet>
  );
}
