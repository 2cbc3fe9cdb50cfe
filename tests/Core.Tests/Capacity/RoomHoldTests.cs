using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Capacity;

/// <summary>What a room may hold, worked out by hand from Approved Document B volume 2 (tables D1, 2.2, 2.3) and International Building Code 2021 (1004.5.1, 1005.5, 1006), both from memory.</summary>
public sealed class RoomHoldTests
{
    private static Sample Hall(double clear, int doors, params string[] books)
    {
        var sample = new Sample().Room(20_000, 10_000);
        sample.Do(new NameRoom("room", "Hall", "Assembly", ""));
        foreach (var book in books)
            sample.Do(new ChooseBook($"book-{book}", book));
        for (var i = 0; i < doors; i++)
            sample.ClearDoor($"d{i}", 2100 + 8000 * i, clear);
        return sample;
    }

    private static RoomHold Hold(Sample sample) => Assert.Single(sample.State.Tally.Holds);

    /// <summary>200 m² at 1 m² each are 200; two doors of 860 mm hold 110 each, and with one of them discounted 110; two doors let 600 in.</summary>
    [Fact]
    public void The_stair_of_limits_of_a_hall_in_England()
    {
        var hold = Hold(Hall(860, 2, "english-guidance"));
        Assert.Equal([110.0, 200, 600], hold.Limits.Select(limit => limit.People));
        Assert.Equal(["adb-discount", "adb-d1-restaurant-meeting", "adb-2.2-number-exits"], hold.Limits.Select(limit => limit.RuleId));
        Assert.Equal(110, hold.Lowest!.People);
    }

    /// <summary>One way out of 1100 mm: 60 by their number, 220 by its width.</summary>
    [Fact]
    public void One_way_out_lets_in_60() => Assert.Equal(60, Hold(Hall(1100, 1, "english-guidance")).Lowest!.People);

    /// <summary>7 ft² each of 2152.78 ft² are 307; doors of 36 in together 72 in hold 360, and with one lost 36 in are half of what 360 need.</summary>
    [Fact]
    public void The_stair_of_limits_by_the_model_code()
    {
        var limits = Hold(Hall(914.4, 2, "international-model-code")).Limits;
        Assert.Equal(307, limits.Single(limit => limit.RuleId == "ibc-1004.5.1-increased").People);
        Assert.Equal([360.0, 360], limits.Where(limit => limit.RuleId == "ibc-1005.5-distribution").Select(limit => limit.People));
        Assert.Equal(500, limits.Single(limit => limit.RuleId == "ibc-1006.2.1-A-E-M").People);
        // Two doors 8 m apart in a room of 22.4 m: from 50 people on that is too near.
        Assert.Equal(49, limits.Single(limit => limit.RuleId == "ibc-1007.1.1-separation").People);
    }

    /// <summary>A door that opens inwards is for 49 at most.</summary>
    [Fact]
    public void A_door_that_opens_in_is_a_limit()
    {
        var sample = Hall(914.4, 1, "international-model-code");
        sample.Do(new PutOpening(sample.Plan.Find<Opening>("d0")! with { SwingsRight = false }) { Sure = true });
        var limit = Assert.Single(Hold(sample).Limits, limit => limit.RuleId == "ibc-1010.1.2.1-swing");
        Assert.Equal((49.0, "Door, Hall to outside: opens against those who leave"), (limit.People, limit.Says));
    }

    /// <summary>A limit is the last number that its rule holds for: at it no finding, one more and there is one.</summary>
    [Fact]
    public void At_a_limit_nothing_is_found_and_one_beyond_it_is()
    {
        var sample = Hall(860, 2, "english-guidance");
        // Smaller than the load by area, so that the seats do not govern: an office of 200 m² is counted for 34.
        sample.Do(new NameRoom("room", "Hall", "Office", ""));
        var most = (int)Hold(sample).Lowest!.People;
        Assert.Equal(110, most);
        for (var i = 0; i < most; i++)
            sample.Place($"c{i:000}", "stacking-chair", 500 + 1100 * (i % 17), 1200 + 1150 * (i / 17));
        Assert.DoesNotContain(sample.State.Findings, finding => finding.RuleId == "adb-discount");
        Assert.Equal("of 110", TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Single(line => line.Name == "Hall may hold").Rest);
        sample.Place("more", "stacking-chair", 500, 9600);
        Assert.Contains(sample.State.Findings, finding => finding.RuleId == "adb-discount");
        var line = TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Single(line => line.Name == "Hall may hold");
        Assert.Equal(("111", "of 110", "1 over", true), (line.Value, line.Rest, line.Over, line.Short));
        Assert.Contains(
            sample
                .State.SheetInput(
                    new SheetSettings("s", PlanStart.SchemeId, PlanStart.LevelId, "A3", true, new(), new()),
                    "",
                    "",
                    "",
                    default
                )
                .Held,
            note => note.StartsWith("Hall: 111 seats; may hold 110, limited by ways out hold too few people")
        );
    }

    /// <summary>On the tally stands the room with most seats; another only where it holds more than it may.</summary>
    [Theory]
    [InlineData(1, 1)]
    [InlineData(2, 2)]
    public void The_tally_tells_the_largest_room_and_those_that_are_over(int seats, int lines)
    {
        var sample = Hall(860, 2, "english-guidance");
        sample.Do(new MakeRoom("small", PlanStart.LevelId, "Small", 2000, 2000, 200, 3000, 0, 20_000));
        sample.Do(new NameRoom("small", "Small", "Assembly", ""));
        for (var i = 0; i < 3; i++)
            sample.Place($"c{i}", "stacking-chair", 5000 + 1500 * i, 5000);
        // 4 m² at 1 m² each are 4; by hand one person has 4 m².
        sample.Do(new SetRoomPeople("small", 4));
        for (var i = 0; i < seats; i++)
            sample.Place($"s{i}", "stacking-chair", 500 + 900 * i, 21_000);
        Assert.Equal(
            lines,
            TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Count(line => line.Name.EndsWith("may hold", StringComparison.Ordinal))
        );
    }

    /// <summary>Rows of 12 with 300 mm of passage and an aisle at one end take 7 each by BS 9999 (from memory): five are too many in the one that has a row ahead.</summary>
    [Fact]
    public void Rows_with_too_many_seats_are_a_limit()
    {
        var sample = Hall(1100, 2, "english-guidance");
        for (var row = 0; row < 2; row++)
        for (var seat = 0; seat < 12; seat++)
            sample.Place($"{row}-{seat:00}", "stacking-chair", 300 + 500 * seat, 4000 + 850 * row);
        var limit = Assert.Single(Hold(sample).Limits, limit => limit.RuleId == "uk-seatway");
        Assert.Equal(24 - 5, limit.People);
    }

    [Fact]
    public void The_house_has_no_more_chairs()
    {
        var sample = Hall(1100, 2, "english-guidance");
        sample.Place("a", "stacking-chair", 5000, 5000);
        sample.Do(new SetStock("stacking-chair", 40));
        var limit = Assert.Single(Hold(sample).Limits, limit => limit.Says.Contains("house"));
        Assert.Equal(40, limit.People);
    }
}
