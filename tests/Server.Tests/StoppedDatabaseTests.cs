using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Sheets;

namespace Wellsedes.Server.Tests;

/// <summary>Pulls the plug of the database that all tests share: it runs when no other does.</summary>
[CollectionDefinition("Alone", DisableParallelization = true)]
public sealed class Alone;

[Collection("Alone")]
public sealed class StoppedDatabaseTests(Cluster cluster) : HouseTests(cluster)
{
    [Fact]
    public async Task The_database_stopped_while_editing_refuses_clearly_and_comes_back_with_all_that_was_saved()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("safe"));
        Cluster.Crash();
        try
        {
            var refused = await owner.EditAsync(plan, new MoveItems(["safe"], 100, 0));
            Assert.Equal(HttpStatusCode.ServiceUnavailable, refused.StatusCode);
            Assert.Contains("Nothing was changed", await Visitor.MessageAsync(refused));
        }
        finally
        {
            Cluster.Start();
        }
        HttpResponseMessage again;
        var tries = 0;
        do again = await owner.EditAsync(plan, new MoveItems(["safe"], 7, 0));
        while (!again.IsSuccessStatusCode && tries++ < 5);
        Assert.Equal(HttpStatusCode.OK, again.StatusCode);
        Assert.Equal(9007, (await owner.ItemAsync(plan, "safe"))!.X, 6);
    }
}
