/// Items, as they stand on both sides.
package alcabala.accounting.item;
