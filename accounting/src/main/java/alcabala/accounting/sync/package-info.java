/// What becomes of two records that are linked when either changes (synchronisation). Start with FieldMerge, the table
/// of cases for one field; RecordMerge applies it to a whole record.
package alcabala.accounting.sync;
