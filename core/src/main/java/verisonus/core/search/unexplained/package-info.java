/** What of a record a derived tone leaves unexplained, whatever made it. */
@NullMarked
package verisonus.core.search.unexplained;

import org.jspecify.annotations.NullMarked;
