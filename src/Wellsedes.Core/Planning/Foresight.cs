using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Planning;

/// <summary>What an edit of many things would bring, said before it is done.</summary>
/// <param name="Changed">How many things it changes.</param>
/// <param name="SeatsBefore">Seats and workstations of the scheme now.</param>
/// <param name="NoLongerFit">Names of what would stand in something that it does not stand in now.</param>
public sealed record Foresight(Problem? Problem, int Changed, int SeatsBefore, int SeatsAfter, ImmutableArray<string> NoLongerFit);
