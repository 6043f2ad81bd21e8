/// Storeloft and Refitline: the chandlery's and the project office's apps, so far with what they know of sites,
/// parties, items and categories. Start with AppRecords.
package standins.apps;
