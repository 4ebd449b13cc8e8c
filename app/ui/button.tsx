import { cva, type VariantProps } from "class-variance-authority";
import type { ComponentProps } from "react";
import { Link } from "react-router";
import { classes } from "./classes.ts";

/** The looks of a button. A page has one `main` button at most. */
export const buttonLook = cva("btn", {
  variants: {
    look: { main: "btn-main", plain: "", quiet: "btn-quiet", bare: "btn-bare" },
    size: { usual: "", small: "btn-small", icon: "btn-icon" },
  },
  defaultVariants: { look: "plain", size: "usual" },
});
type Look = VariantProps<typeof buttonLook>;

/** A button. It does nothing to a form unless its `type` is `submit`. */
export function Button({ look, size, className, type = "button", ...props }: ComponentProps<"button"> & Look) {
  return <button type={type} className={classes(buttonLook({ look, size }), className)} {...props} />;
}

/** A link within the application that looks like a button. */
export function ButtonLink({ look, size, className, ...props }: ComponentProps<typeof Link> & Look) {
  return <Link className={classes(buttonLook({ look, size }), className)} {...props} />;
}

/** A link to a file that looks like a button. */
export function DownloadLink({ look, size, className, children, ...props }: ComponentProps<"a"> & Look) {
  return (
    <a download className={classes(buttonLook({ look, size }), className)} {...props}>
      {children}
    </a>
  );
}
