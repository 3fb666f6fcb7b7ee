// Made from the catalogue by npm run messages; messages.alone.test.ts fails when it is out of date.
type Words = string | number | readonly string[]

export type Messages = {
  account: {
    title: string
    forgot: string
    forgotTitle: string
    forgotAbout: string
    forgotGo: string
    forgotDone: string
    backToSignIn: string
    outbox: string
    chooseTitle: string
    chooseAbout: string
    chooseGo: string
    chosen: string
    code: string
    password: {
      title: string
      current: string
      fresh: string
      go: string
      done: string
    }
    sessions: {
      title: string
      here: string
      lastUsed: (values: { when: Words }) => string
      end: string
      ended: string
    }
    factor: {
      title: string
      off: string
      on: string
      turnOn: string
      turnOff: string
      about: string
      scan: string
      picture: string
      key: string
      open: string
      codeNow: string
      next: string
      recovery: string
      recoveryAbout: string
      copy: string
      copied: string
      kept: string
      isOff: string
    }
    tokens: {
      title: string
      about: string
      none: string
      create: string
      name: string
      abilities: {
        read: string
        write: string
      } & Record<string, string>
      may: string
      days: string
      dayChoices: {
        '7': string
        '30': string
        '90': string
        '366': string
      } & Record<string, string>
      go: string
      shown: string
      remove: (values: { name: Words }) => string
      expires: (values: { when: Words }) => string
      used: (values: { when: Words }) => string
      neverUsed: string
    }
    notifications: {
      title: string
      none: string
      wrote: (values: { words: Words }) => string
    }
  }
  acts: {
    questions: (values: { count: number }) => string
    change: {
      title: (values: { count: number }) => string
      about: string
      go: (values: { count: number }) => string
      sections: {
        classify: string
        origin: string
        asked: string
        places: string
      } & Record<string, string>
      leave: string
      empty: (values: { what: Words }) => string
      emptied: string
      addPurpose: string
      removePurpose: string
      minutes: string
      work: string
      language: string
      languageHint: string
      points: string
      shuffle: string
      shuffles: {
        yes: string
        no: string
      } & Record<string, string>
      attempts: string
      unlimited: string
      tries: (values: { count: number }) => string
      cost: string
      costHint: string
      show: string
      names: string
      addFolders: string
      removeFolders: string
      pickTopic: string
      pickFolder: string
      limitHint: string
      standards: {
        add: string
        remove: string
      }
    }
    preview: {
      title: string
      nothing: string
      looking: string
      some: (values: { count: number; looked: number; changes: number }) => string
      sample: (values: { shown: number }) => string
      left: string
      none: string
      changes: (values: { n: number }) => string
      same: (values: { n: number }) => string
      skipped: (values: { n: number }) => string
      someAll: (values: { count: number; looked: number }) => string
      touches: string
      touchesOthers: (values: { n: number }) => string
    }
    fields: {
      bin: string
      home: string
      copy: string
      revision: string
      work: string
      origin: string
    } & Record<string, string>
    values: {
      true: string
      null: string
    } & Record<string, string>
    replace: {
      menu: string
      title: (values: { count: number }) => string
      about: string
      found: (values: { at: number; inQuestions: number }) => string
      more: string
      go: (values: { at: number }) => string
      foundSoFar: (values: { at: number; inQuestions: number; looked: number; count: number }) => string
      none: string
    }
    place: {
      menu: string
      title: (values: { count: number }) => string
      bank: string
      folder: string
      top: string
      fresh: string
      freshName: string
      how: string
      hows: {
        also: string
        move: string
        home: string
        copy: string
      } & Record<string, string>
      howAbout: {
        also: string
        move: string
        home: string
        copy: string
      } & Record<string, string>
      bin: string
      noFolder: string
      go: {
        also: string
        move: string
        home: string
        copy: string
      } & Record<string, string>
    }
    bin: {
      menu: string
      title: (values: { count: number }) => string
      about: string
      go: string
      back: string
      backAll: (values: { count: number }) => string
      open: string
      empty: string
      isBinned: string
    }
    out: string
    done: {
      change: (values: { count: number }) => string
      undo: (values: { count: number }) => string
      copy: (values: { count: number }) => string
      carry: (values: { count: number; assessments: number }) => string
      merge: (values: { count: number }) => string
      remove: (values: { count: number }) => string
    } & Record<string, unknown>
    leftOne: (values: { count: number; why: Words }) => string
    receipt: string
    follow: string
    going: {
      waiting: string
      running: (values: { done: number; total: number }) => string
    }
    started: (values: { count: number }) => string
    background: string
    stop: string
    resume: string
    undo: string
    states: {
      done: string
      stopped: string
      failed: string
      waiting: string
      running: string
    } & Record<string, string>
    title: string
    kind: {
      change: string
      undo: string
      copy: string
      carry: string
      merge: string
      remove: string
    } & Record<string, string>
    about: string
    none: string
    pick: string
    by: (values: { person: Words; when: Words }) => string
    counts: (values: { changed: number; left: number }) => string
    undone: string
    summary: {
      binned: string
      restored: string
      home: string
      folders: string
      topics: string
      words: (values: { find: Words; by: Words }) => string
      names: string
      content: {
        rubric: string
        points: string
        shuffle: string
        attempts: string
        show: string
        language: string
      } & Record<string, string>
      media: string
    }
    left: (values: { count: number }) => string
    putBack: string
    changes: string
    more: string
    somebody: string
  }
  product: string
  areas: {
    desk: string
    banks: string
    assessments: string
    coverage: string
    transfers: string
  }
  skip: string
  status: {
    draft: string
    in_review: string
    approved: string
    retired: string
  } & Record<string, string>
  points: (values: { n: number }) => string
  loading: string
  notFound: string
  common: {
    quoted: (values: { words: Words }) => string
    andMore: (values: { list: Words }) => string
  }
  kindNames: {
    page: string
    draw: string
  }
  assembly: {
    title: string
    make: string
    makeGo: string
    name: string
    bank: string
    bankAbout: string
    none: string
    noneNext: string
    count: (values: { n: number }) => string
    columns: {
      title: string
      questions: string
      bank: string
      at: string
    }
    states: {
      draft: string
      ready: string
      used: string
      archived: string
    } & Record<string, string>
    duplicate: string
    copyOf: (values: { title: Words }) => string
    remove: string
    removed: (values: { title: Words }) => string
    bin: string
    binEmpty: string
    binAbout: string
    toList: string
    restore: string
    restored: (values: { title: Words }) => string
    inBin: string
    compared: {
      command: string
      title: string
      with: string
      pick: string
      pickFirst: string
      both: string
      onlyHere: (values: { title: Words }) => string
      near: string
      nearAbout: string
      nearPair: (values: { here: Words; there: Words }) => string
      hidden: string
      balance: string
      all: string
      cell: (values: { n: number; points: Words }) => string
      nothing: string
    }
    merge: {
      select: (values: { title: Words }) => string
      go: (values: { n: Words }) => string
      title: string
      about: (values: { titles: Words }) => string
    }
    state: {
      button: (values: { state: Words }) => string
      check: string
      used: string
      usedAgain: string
      unused: string
      draft: string
      archive: string
      unarchive: string
      checkTitle: string
      checking: string
      allWell: string
      blocking: string
      warnings: string
      show: string
      ready: string
      isReady: (values: { title: Words }) => string
      isUnused: (values: { title: Words }) => string
      usedTitle: string
      usedAbout: string
      date: string
      group: string
      groupHint: string
      usedGo: string
      usedOn: (values: { date: Words; group: Words }) => string
      frozen: string
      archived: string
    }
    history: {
      title: string
      command: string
      about: string
      begun: string
      broughtBack: (values: { n: Words }) => string
      nothing: string
      now: string
      version: (values: { n: Words }) => string
      by: (values: { person: Words; when: Words }) => string
      bring: string
      brought: (values: { n: Words }) => string
      older: string
      list: string
    }
    rename: string
    print: string
    outline: string
    sheet: string
    sheetOf: (values: { title: Words }) => string
    tabs: {
      pick: string
      question: string
      rolls: string
      totals: string
      settings: string
      blueprint: string
    } & Record<string, string>
    beside: string
    section: (values: { n: number }) => string
    sectionName: string
    sectionHint: string
    addSection: string
    removeSection: string
    instructions: string
    instructionsHint: string
    addInstructions: string
    emptySection: string
    points: (values: { title: Words }) => string
    ownPoints: string
    move: (values: { title: Words }) => string
    held: (values: { title: Words }) => string
    putHere: string
    select: (values: { title: Words }) => string
    selected: (values: { n: number }) => string
    pointsFor: string
    setPoints: string
    ownAgain: string
    draw: string
    drawn: (values: { n: number; pool: number }) => string
    drawAbout: string
    drawName: string
    drawCount: string
    drawPoints: string
    drawOwnPoints: string
    drawPool: (values: { n: number }) => string
    drawOnce: string
    drawAgain: string
    drawNow: (values: { n: number }) => string
    inDrawing: string
    drawEmpty: string
    dissolve: string
    gather: string
    outOfPool: (values: { title: Words }) => string
    lookAt: (values: { n: number }) => string
    putInto: string
    askEach: string
    intoPool: (values: { title: Words }) => string
    takeOut: string
    takenOut: (values: { n: number }) => string
    clear: string
    gone: string
    chooseBank: string
    hidden: string
    hiddenAbout: string
    hiddenLine: string
    changed: string
    varied: string
    pinned: (values: { n: number }) => string
    incomplete: string
    total: (values: { n: number; points: number }) => string
    minutes: (values: { n: number }) => string
    by: {
      kinds: string
      topics: string
      difficulties: string
      standards: string
      sections: string
      purposes: string
      markings: string
    } & Record<string, string>
    without: {
      topics: string
      difficulties: string
      standards: string
      purposes: string
      markings: string
    } & Record<string, string>
    totalColumns: {
      questions: string
      points: string
    }
    pickWords: string
    add: string
    takeBackShort: string
    reading: string
    readingBody: string
    addAll: (values: { n: number }) => string
    atHand: (values: { title: Words }) => string
    pickEntry: string
    edit: string
    editTitle: string
    editBank: string
    editBankAbout: (values: { titles: Words }) => string
    editHere: string
    editHereAbout: string
    mayNot: string
    origin: string
    asBank: string
    newer: string
    keep: string
    takeNew: string
    follow: string
    was: string
    is: string
    used: string
    usedNowhere: string
    usedOnlyHere: string
    usedOthers: (values: { more: string | boolean; n: number }) => string
    goneAbout: string
    conflict: string
    keeping: {
      saved: string
      typing: string
      'only here': string
      refused: string
    }
    kept: string
    hereOnly: (values: { title: Words }) => string
    savedHere: string
    saveHere: string
    printing: {
      title: string
      about: string
      which: {
        cover: string
        learner: string
        answers: string
        key: string
        keys: string
        scheme: string
        notes: string
        author: string
        contents: string
      } & Record<string, string>
      fields: {
        name: string
        date: string
        score: string
        points: string
      } & Record<string, string>
      columns: string
      space: string
      spaces: {
        tight: string
        usual: string
        wide: string
      } & Record<string, string>
      size: string
      sizes: {
        usual: string
        large: string
      } & Record<string, string>
      paper: string
      seed: string
      seedAbout: string
      roll: string
      making: string
      page: (values: { n: number; of: number }) => string
      fetch: string
      pages: (values: { n: number }) => string
      together: string
      spaceOfEach: string
      spaceAbout: string
      spaceOf: (values: { n: number; title: Words }) => string
      spaceKind: (values: { what: Words }) => string
      spaceDrag: (values: { what: Words }) => string
      spaceLines: (values: { what: Words }) => string
      spaceUsual: string
      spaceKinds: {
        lines: string
        box: string
        blank: string
        squared: string
        graph: string
      } & Record<string, string>
      rolls: {
        title: string
        question: (values: { n: number; title: Words }) => string
        none: string
        changed: string
        unchanged: string
        roll: string
        rollOf: (values: { n: number }) => string
        keep: (values: { seed: Words }) => string
        keepOf: (values: { seed: Words; n: number }) => string
        nothing: string
      }
    }
    othersHidden: (values: { n: number }) => string
    alignedTo: string
    pick: {
      from: string
      everyBank: string
      wide: string
      narrow: string
      intoSection: (values: { section: Words }) => string
      trayAsk: string
      trayTitle: (values: { n: number }) => string
      section: string
      place: string
      before: (values: { title: Words }) => string
      atEnd: string
      added: (values: { n: number }) => string
      draw: string
      another: string
      anotherTitle: string
      anotherAbout: string
      anotherFrom: string
      take: (values: { n: number }) => string
      isTaken: string
      write: string
      writeTitle: string
      writeAbout: string
      writeNowhere: string
      writeIn: string
      notAdded: (values: { why: Words }) => string
      moreWays: string
    }
    sources: {
      title: string
      about: string
      aboutFound: (values: { found: number }) => string
      go: string
      countProblem: string
      added: (values: { n: number }) => string
      as: string
      asNew: string
      asPart: (values: { title: Words }) => string
      from: string
      byHand: string
      everything: string
      in: (values: { banks: Words }) => string
      closed: string
      now: (values: { n: number }) => string
      frozenAt: (values: { n: number }) => string
      grows: string
      freeze: string
      grow: string
      show: string
      remove: string
      count: (values: { title: Words }) => string
      part: (values: { n: number }) => string
      apart: string
      overlapMend: string
      often: (values: { n: number }) => string
      oftenAbout: string
      more: (values: { n: number }) => string
    }
    settings: {
      title: string
      purpose: string
      purposes: {
        marked: string
        practice: string
        choice: string
      } & Record<string, string>
      feedback: string
      timings: {
        at_once: string
        each_try: string
        at_end: string
        never: string
      } & Record<string, string>
      attempts: string
      times: (values: { n: number }) => string
      anyTimes: string
      minutes: string
      shuffle: string
      shuffled: string
      asWritten: string
      calculator: string
      rubric: string
      otherRubric: string
      asQuestion: string
      asWhole: string
      time: string
      sectionTime: string
      noLimit: string
      pages: string
      pagesOf: {
        one: string
        all: string
      } & Record<string, string>
      shuffleAll: string
      goBack: string
      cover: string
      coverAbout: string
      coverHint: string
      entry: string
      nothingSet: string
      drop: string
      place: string
      places: {
        anywhere: string
        first: string
        last: string
        fixed: string
      } & Record<string, string>
      idle: {
        shuffle: string
        rubric: string
      } & Record<string, string>
      ofSection: (values: { section: Words }) => string
      sectionShuffle: string
      newPage: string
      weight: string
      sectionEntries: string
      forSeveral: string
      severalTitle: (values: { n: number }) => string
      severalAbout: string
      apply: string
      dropFirst: string
      leave: string
      said: {
        times: (values: { n: number }) => string
        anyTimes: string
        feedback: (values: { when: Words }) => string
        minutes: (values: { n: number }) => string
        shuffled: string
        asWritten: string
        tools: string
        rubric: string
        order: string
        time: (values: { n: number }) => string
        weight: (values: { times: Words }) => string
        newPage: string
      }
    }
    markedBy: {
      itself: string
      partly: string
      hand: string
    } & Record<string, string>
    reads: {
      count: string
      words: (values: { n: number }) => string
      stimuli: (values: { n: number }) => string
    }
    run: {
      title: string
      command: string
      keptNowhere: string
      leave: string
      begin: string
      learner: string
      learnerAbout: string
      choose: string
      beMarked: string
      practise: string
      nothing: string
      inTime: (values: { n: number }) => string
      left: string
      leftHere: string
      oneMinute: string
      questions: string
      question: (values: { n: number }) => string
      questionOf: (values: { n: number; of: number }) => string
      page: string
      answered: string
      back: string
      next: string
      handIn: string
      blank: (values: { n: number }) => string
      earned: (values: { score: Words; max: number }) => string
      report: string
      handedIn: string
      toMark: (values: { n: number }) => string
      forAuthor: string
      again: string
      another: string
    }
    exchange: {
      button: string
      title: (values: { title: Words }) => string
      about: string
      none: string
      take: string
      now: string
      instead: string
      same: string
      other: (values: { what: Words }) => string
      done: (values: { before: Words; after: Words }) => string
      demands: {
        kind: string
        topic: string
        standard: string
        difficulty: string
        points: string
        minutes: string
        cell: string
      } & Record<string, string>
    }
    lodge: {
      button: string
      title: string
      about: string
      go: string
      how: {
        new: string
        revision: string
      }
      note: (values: { title: Words }) => string
      nowhere: string
      done: (values: { bank: Words }) => string
    }
    places: {
      folders: string
      all: string
      folder: string
      folderHint: string
      noFolder: string
      course: string
      term: string
      search: string
      found: (values: { n: number; of: number }) => string
      nothing: string
      state: string
      anyState: string
      used: string
      usedOrNot: string
      neverUsed: string
      usedIn: (values: { year: Words }) => string
      group: string
      anyGroup: string
      anyCourse: string
      anyTerm: string
      strata: string
      byKind: string
      hiddenKind: string
      byTopic: string
      sorts: {
        '': string
        title: string
        changed: string
        used: string
      } & Record<string, string>
      points: string
      minutes: string
      drag: string
      usedLast: (values: { n: number; date: Words; group: Words }) => string
      move: (values: { n: number }) => string
      moveTitle: (values: { n: number }) => string
      moveAbout: string
      moveGo: string
      moved: (values: { n: number; folder: Words }) => string
      renameFolder: string
      renameAbout: (values: { n: number }) => string
      madeIn: (values: { title: Words; place: Words }) => string
      revisions: string
      revisionsOf: {
        as_they_are: string
        follow: string
        pin: string
      } & Record<string, string>
      rolls: string
    }
    merging: {
      title: string
      about: string
      go: string
      mine: string
      theirs: string
      conflict: (values: { n: number }) => string
      done: string
    }
  }
  bank: {
    rubrics: string
    write: string
    bring: string
    sendAll: string
    sendFound: string
    list: string
    where: string
    reading: string
    empty: string
    emptyNext: string
    pick: string
    toggleKey: string
    keyShown: string
    keyHidden: string
    open: string
    more: string
    duplicate: string
    varies: string
    badRolls: string
    incomplete: string
    difficulty: (values: { n: number }) => string
    revision: (values: { n: number }) => string
    identifier: string
    identifierThere: string
    specimens: (values: { good: number; all: number }) => string
    back: string
    narrow: string
    cut: string
    sort: string
    sorts: {
      best: string
      title: string
      '-updated': string
      updated: string
      '-created': string
      difficulty: string
      '-difficulty': string
      points: string
      '-points': string
      '-uses': string
      own: string
    } & Record<string, string>
    clearAll: string
    drop: (values: { what: Words }) => string
    nothing: string
    catalogue: string
    catalogueAbout: string
    toBank: (values: { name: Words }) => string
    toItsBank: string
    mute: string
    alsoIn: string
    sampled: string
    countExactly: string
    inNoFolder: string
    moreOf: (values: { n: number }) => string
    group: string
    groups: {
      '': string
      place: string
    } & Record<string, string>
    nameSaysNothing: (values: { name: Words }) => string
    takeName: string
    placeElsewhere: string
    onlyHere: string
    everyOf: (values: { n: number; name: Words }) => string
    orderHint: string
    searches: {
      title: string
      keep: string
      recent: string
      about: string
      name: string
      share: string
      keepGo: string
      kept: (values: { name: Words }) => string
      shared: string
      sharedBy: (values: { name: Words; person: Words }) => string
      remove: (values: { name: Words }) => string
      removed: (values: { name: Words }) => string
    }
    meant: (values: { words: Words; n: number }) => string
    without: (values: { what: Words; n: number }) => string
    tabs: {
      topic: string
      standard: string
      folder: string
      tag: string
      more: string
    } & Record<string, string>
    dimensions: {
      words: string
      kind: string
      status: string
      difficulty: string
      topic: string
      tag: string
      author: string
      folder: string
      place: string
      titled: string
      stimulus: string
      no: string
      is: string
      level: string
      purpose: string
      licence: string
      language: string
      source: string
      work: string
      has: string
      marks: string
      by: string
      editor: string
      bank: string
      points: string
      minutes: string
      marker_minutes: string
      created: string
      changed: string
      medium: string
      standard: string
      framework: string
      unmatched: string
      assesses: string
      covers: string
      used: string
      not_used: string
    } & Record<string, string>
    no: {
      topic: string
      tag: string
      difficulty: string
      folder: string
      author: string
      level: string
      purpose: string
      licence: string
      source: string
      minutes: string
      name: string
      standard: string
    } & Record<string, string>
    has: {
      figure: string
      audio: string
      formula: string
      table: string
      feedback: string
      hints: string
      rubric: string
      models: string
      values: string
      bad_rolls: string
      specimens: string
      stimulus: string
    } & Record<string, string>
    marks: {
      itself: string
      partly: string
      hand: string
    } & Record<string, string>
    not: (values: { what: Words }) => string
    leaveOut: (values: { what: Words }) => string
    madeBy: (values: { name: Words }) => string
    changedBy: (values: { name: Words }) => string
    from: string
    to: string
    range: (values: { what: Words; from: Words; to: Words }) => string
    noValues: string
    is: {
      varies: string
      incomplete: string
      complete: string
      shares: string
      specimens: string
      failing: string
      used: string
      unused: string
      binned: string
      unseen: string
    } & Record<string, string>
    noTopics: string
    noTopicsUsed: string
    allTopics: (values: { n: number }) => string
    usedTopics: string
    noFolders: string
    noTags: string
    untagged: {
      topic: (values: { n: number }) => string
      folder: (values: { n: number }) => string
      tag: (values: { n: number }) => string
      standard: (values: { n: number }) => string
    } & Record<string, (values: { n: number }) => string>
    foundIn: {
      answers: string
      rest: string
      stimuli: string
    } & Record<string, string>
    selected: (values: { n: number }) => string
    selectAll: (values: { n: number }) => string
    allMatching: (values: { n: number }) => string
    unselect: string
    select: (values: { title: Words }) => string
    foundAll: (values: { of: number }) => string
    foundOf: (values: { of: number }) => string
    rangeFrom: (values: { what: Words; from: Words }) => string
    rangeTo: (values: { what: Words; to: Words }) => string
    rangeAt: (values: { what: Words; at: Words }) => string
    showThem: string
    order: string
    regroup: string
    carry: string
    compare: string
    reread: string
    runSpecimens: string
    defaults: string
    specimensFail: (values: { failing: number; of: number }) => string
    taken: string
    ofStimulus: (values: { title: Words }) => string
    stimuliHere: string
    stimuli: string
    media: string
    showsMedium: (values: { name: Words }) => string
  }
  banks: {
    title: string
    count: (values: { n: number }) => string
    none: string
    noneNext: string
    role: {
      keeper: string
      writer: string
      reader: string
    } & Record<string, string>
    sharedWith: (values: { names: Words }) => string
    strata: string
    make: string
    makeGo: string
    made: (values: { name: Words }) => string
    archivedOnes: (values: { n: number }) => string
    archived: string
    nothingFound: (values: { words: Words }) => string
    fields: {
      name: string
      purpose: string
      subject: string
      level: string
      course: string
      term: string
    } & Record<string, string>
    kept: (values: { names: Words }) => string
    about: string
    settings: string
    changed: string
    hiddenUses: string
    hiddenUse: (values: { person: Words; n: number; title: Words }) => string
    archive: string
    archivedNow: (values: { name: Words }) => string
    unarchived: (values: { name: Words }) => string
    archiveAbout: string
    unarchive: string
    share: string
    shareTitle: (values: { name: Words }) => string
    shareAbout: string
    sharePick: string
    shareWords: string
    people: string
    teams: string
    team: string
    roles: {
      reader: string
      writer: string
      keeper: string
    } & Record<string, string>
    roleOf: (values: { name: Words }) => string
    takeAway: (values: { name: Words }) => string
    shared: string
    lends: string
    lendsAbout: string
    copy: string
    copyAbout: string
    copyGo: string
    copyName: (values: { name: Words }) => string
    copied: (values: { name: Words; n: number }) => string
    sharedWithNone: string
  }
  blueprints: {
    title: string
    make: string
    create: string
    duplicate: string
    search: string
    empty: string
    emptyNext: string
    noneFound: string
    binEmpty: string
    binned: (values: { title: Words }) => string
    menuOf: (values: { title: Words }) => string
    madeOf: string
    bankAbout: string
    likeTitle: (values: { title: Words }) => string
    likeAssessment: string
    likeAbout: string
    conflict: string
    all: string
    cellWrong: string
    rangeWrong: string
    cellName: (values: { name: Words }) => string
    cellOpen: (values: { shown: Words; name: Words }) => string
    cellAbout: (values: { have: number; approved: Words; unused: Words }) => string
    found: (values: { n: Words }) => string
    of: (values: { n: Words }) => string
    ofPoints: (values: { n: number }) => string
    table: string
    tableBody: string
    wholeTable: string
    wanted: string
    sum: string
    row: string
    addRows: string
    addColumns: string
    addGo: string
    splitGo: string
    adding: {
      rows: string
      columns: string
      'split rows': string
      'split columns': string
    }
    countIn: string
    measures: {
      count: string
      points: string
    }
    tableMenu: string
    splitRows: string
    unsplitRows: string
    splitColumns: string
    unsplitColumns: string
    othersToo: string
    onlyCells: string
    cellsCleared: (values: { n: number }) => string
    clearCells: string
    removeTable: string
    addTable: string
    removeLine: (values: { name: Words }) => string
    tagThese: (values: { n: Words }) => string
    tableEmpty: string
    tableEmptyMore: string
    usedSince: (values: { day: Words }) => string
    unusedSince: (values: { day: Words }) => string
    difficulties: (values: { from: Words; to: Words }) => string
    none: {
      topic: string
      standard: string
      folder: string
      difficulty: string
      level: string
      purpose: string
      tag: string
      source: string
      author: string
      other: string
    }
    attributes: {
      topic: string
      standard: string
      folder: string
      kind: string
      difficulty: string
      level: string
      purpose: string
      tag: string
      source: string
      work: string
      author: string
      marks: string
      points: string
      status: string
      has: string
      language: string
      bank: string
      used: string
    }
    add: {
      about: {
        lines: string
        rules: string
        wishes: string
      }
      of: string
      since: string
      search: string
      nothing: string
      values: string
      all: string
      clear: string
      become: string
      each: {
        lines: string
        rules: string
        wishes: string
      }
      together: {
        lines: string
        rules: string
        wishes: string
      }
    }
    from: string
    addBank: string
    removeBank: (values: { name: Words }) => string
    hiddenBank: string
    hiddenBanks: (values: { n: number }) => string
    status: string
    scopeStatus: {
      approved: string
      reviewed: string
      any: string
    }
    statuses: {
      approved: string
      in_review: string
      draft: string
      retired: string
    }
    markUnused: string
    totalThere: (values: { n: number }) => string
    rules: {
      title: string
      total: string
      totals: {
        points: string
        count: string
        minutes: string
        words: string
      }
      any: string
      add: string
      addGo: string
      remove: string
      removeOne: (values: { name: Words }) => string
      howMany: string
      ofWhat: string
      day: string
      from: string
      to: string
      and: string
      between: (values: { min: Words; max: Words }) => string
      weight: string
      atMost: string
      withSame: string
      attributes: {
        stimulus: string
        topic: string
        tag: string
        source: string
        work: string
        author: string
        kind: string
      }
      allOrNone: string
      unusedSince: string
      keySpread: string
      mean: string
      someOf: (values: { what: Words }) => string
      pictures: string
      notIn: string
      addAssessment: string
      goneAssessment: string
      goneQuestion: string
      named: {
        must_include: string
        exclude: string
        never_together: string
      }
      fromTray: (values: { n: number }) => string
      fromTrayAbout: string
      prefer: (values: { what: Words }) => string
      someTitle: string
      wishTitle: string
      offers: {
        at_most: string
        all_or_none: string
        unused_since: string
        not_in: string
        pictures: string
        some: string
        must_include: string
        exclude: string
        never_together: string
        key_spread: string
        mean_difficulty: string
        wish: string
      }
    }
    testsAtOnce: string
    withCommon: string
    commonEnd: string
    demands: string
    assemble: string
    another: string
    assembling: string
    stale: string
    impossible: string
    notInTime: string
    together: string
    relaxed: string
    askedFound: string
    asked: string
    foundShort: string
    foundTotals: (values: { asked: Words; found: Words; points: number; minutes: number }) => string
    foundQuestions: string
    testTitle: (values: { n: number; points: number }) => string
    testsTitle: (values: { n: Words }) => string
    testLetter: (values: { letter: Words }) => string
    testColumns: {
      questions: string
      points: string
      minutes: string
      difficulty: string
    }
    nearest: (values: { n: number }) => string
    notProved: (values: { value: Words }) => string
    exchange: string
    exchangeOf: (values: { title: Words }) => string
    exchanged: (values: { before: Words; after: Words }) => string
    noExchange: string
    nothingFound: string
    lock: string
    unlock: string
    lockOf: (values: { title: Words }) => string
    makeButton: (values: { n: number }) => string
    makeTitle: (values: { n: number }) => string
    makeGo: (values: { n: number }) => string
    makeShort: string
    made: (values: { n: number; title: Words }) => string
    layout: {
      sections: string
      sectionsOf: {
        one: string
        rows: string
        columns: string
      }
      order: string
      orderOf: {
        table: string
        difficulty: string
        topic: string
      }
      as: string
      asOf: {
        picks: string
        draws: string
      }
    }
    nothingAsked: string
    begin: string
    beginNext: string
    toChooseFrom: (values: { n: number }) => string
    closePlace: string
    placeEmpty: string
    firstHundred: string
    usedOn: (values: { day: Words }) => string
    key: string
    mustInclude: string
    leaveOut: string
    approved: (values: { n: Words }) => string
    otherStatus: (values: { n: Words }) => string
    unused: (values: { n: Words }) => string
    inside: {
      from: string
      met: string
      short: string
      shortBy: (values: { name: Words; asked: Words; what: string | boolean; found: Words }) => string
      again: string
      againAbout: string
      question: string
      go: (values: { n: number }) => string
      fill: string
      done: (values: { n: number }) => string
      impossible: (values: { why: Words }) => string
    }
    likeCommand: string
    tagIn: string
    unlockAll: string
  }
  carry: {
    title: string
    settings: string
    about: string
    where: string
    thereAlready: string
    fresh: string
    bank: string
    name: string
    nameOf: (values: { name: Words }) => string
    folder: string
    folderAbout: string
    what: string
    everything: string
    shown: string
    chosen: string
    folders: string
    noFolders: string
    assessments: string
    assessmentsAbout: string
    noAssessments: string
    how: string
    copies: string
    copiesAbout: string
    placements: string
    placementsAbout: string
    topics: string
    topicsAbout: string
    topicThere: (values: { topic: Words }) => string
    newTopic: string
    moreTopics: (values: { n: number }) => string
    standards: string
    standardsOf: (values: { framework: Words }) => string
    stays: string
    become: (values: { framework: Words }) => string
    leaveOut: string
    without: (values: { n: number; all: Words; codes: Words; more: string | boolean }) => string
    preview: string
    nothing: string
    copied: (values: { n: number }) => string
    placed: (values: { n: number }) => string
    asked: (values: { n: number }) => string
    before: (values: { n: number }) => string
    notLent: (values: { n: number }) => string
    unfiled: string
    chooseBank: string
    placedBefore: (values: { n: number }) => string
    pinned: (values: { n: number }) => string
    foldersThere: string
    isNew: string
    questions: (values: { n: number }) => string
    assessment: (values: { title: Words; n: number; how: string | boolean }) => string
    undo: string
    go: (values: { questions: number; assessments: number }) => string
  }
  compare: {
    title: string
    about: string
    with: string
    bank: string
    file: string
    pickBank: string
    pickFile: string
    folder: string
    theirFolder: string
    everything: string
    go: string
    comparing: string
    same: string
    differing: string
    onlyHere: string
    onlyThere: string
    nothing: string
    by: {
      identifier: string
      content: string
      near: string
    } & Record<string, string>
    take: string
    takeAll: (values: { n: number }) => string
    taken: (values: { n: number }) => string
    left: (values: { n: number; why: Words }) => string
    bring: (values: { n: number }) => string
    send: (values: { n: number }) => string
    brought: (values: { n: number }) => string
    import: string
    importAbout: string
    select: (values: { title: Words }) => string
    all: string
    more: (values: { n: Words }) => string
    here: string
    there: string
  }
  coverage: {
    of: string
    topicsOf: (values: { bank: Words }) => string
    frameworks: string
    topics: string
    banks: string
    allBanks: string
    assessment: string
    noAssessment: string
    layers: string
    thickAs: string
    units: {
      questions: string
      points: string
    }
    by: {
      difficulty: string
      kind: string
      status: string
      purpose: string
      marks: string
      points: string
    } & Record<string, string>
    thinBelow: string
    least: string
    approvedOnly: string
    touches: string
    through: string
    level: string
    levels: {
      '1': string
      '2': string
      '3': string
      '9': string
    } & Record<string, string>
    questions: (values: { n: number }) => string
    points: (values: { n: number }) => string
    total: (values: { all: number; without: number }) => string
    nothing: string
    missing: (values: { values: Words }) => string
    few: (values: { values: Words }) => string
    notSet: string
    picture: string
    table: string
    asPicture: string
    asTable: string
    cut: (values: { framework: Words }) => string
    pick: string
    list: (values: { n: number }) => string
    write: string
    thinnest: string
    noThin: string
    more: (values: { n: number }) => string
    without: (values: { n: number }) => string
    noDifficulty: (values: { n: number }) => string
    noPurpose: (values: { n: number }) => string
    listThem: string
    tagThem: string
    compare: string
    compareNone: string
    compared: (values: { here: Words; there: Words }) => string
    differ: string
    print: string
    csv: string
    manage: string
    code: string
    name: string
    all: string
    thin: string
    kind: string
    none: string
    noneNext: string
    gaps: string
    legend: string
    moreChoices: string
  }
  desk: {
    fresh: string
    typedPaste: (values: { n: number }) => string
    typedRead: (values: { n: number }) => string
    start: string
    startSeveral: string
    startSeveralHint: string
    title: string
    titleHint: string
    stem: string
    stemHint: string
    keptText: string
    save: (values: { n: number }) => string
    saveAnother: string
    saved: (values: { n: number; where: Words }) => string
    saving: string
    keeping: {
      saved: string
      typing: string
      kept: string
      'only here': string
    } & Record<string, string>
    restored: string
    discard: string
    startFresh: string
    undo: string
    redo: string
    like: (values: { title: Words }) => string
    placedIn: string
    inBank: (values: { bank: Words }) => string
    conflict: (values: { n: number }) => string
    compare: string
    mine: string
    theirs: string
    same: string
    merge: (values: { n: number }) => string
    conflictTitle: string
    conflictAbout: string
    noDifference: string
    fields: {
      title: string
      body: string
      feedback: string
      hints: string
      attempts: string
      variables: string
      parts: string
    } & Record<string, string>
    note: string
    noteHint: string
    restoredFrom: (values: { n: number }) => string
    restoredHere: (values: { n: number }) => string
    beside: string
    tabs: {
      try: string
      values: string
      checks: string
      classify: string
      history: string
    } & Record<string, string>
    noChecks: string
    finishedByHand: string
    blocking: string
    warnings: string
    table: string
    addPart: string
    changeKind: string
    changeKindOf: (values: { name: Words }) => string
    changeTo: (values: { kind: Words }) => string
    changeAnyway: string
    changed: (values: { kind: Words }) => string
    notCarried: string
    noOther: string
    trueFalse: string
    split: (values: { n: number }) => string
    splitGo: (values: { n: number }) => string
    removeRow: string
    followed: (values: { title: Words }) => string
    keepBefore: (values: { n: number }) => string
    keptBefore: (values: { kept: number; n: number }) => string
    splitDone: (values: { n: number }) => string
    toBank: string
    howPartsCount: string
    questionEarns: string
    combines: {
      sum: string
      all: string
    }
    shareRules: string
    shareRulesOf: (values: { n: number }) => string
    rulesOf: (values: { part: Words }) => string
    addShare: string
    gatePart: (values: { n: number }) => string
    gateOf: (values: { n: number }) => string
    onlyWhen: string
    isRight: string
    areRight: string
    addGate: string
    makeGap: string
    makeGapHint: string
    gapKinds: {
      text: string
      number: string
      menu: string
      tiles: string
    } & Record<string, string>
    selectFirst: string
    emptyGap: string
    addPartHint: string
    addValue: string
    part: (values: { kind: Words }) => string
    more: string
    feedbacks: {
      right: string
      partly: string
      wrong: string
      general: string
    } & Record<string, string>
    hints: string
    hint: (values: { n: number }) => string
    addHint: string
    hintCost: (values: { n: number }) => string
    costs: string
    ofPoints: string
    attempts: string
    attemptsUnlimited: string
    attemptCost: string
    saveKey: string
    followedMany: (values: { n: number; titles: Words }) => string
    feedbackTexts: (values: { n: number }) => string
    hintCount: (values: { n: number }) => string
    attemptCount: (values: { n: number }) => string
    noneSet: string
    insteadPart: (values: { n: number }) => string
    insteadFor: string
    insteadForPart: (values: { n: number }) => string
    insteadOf: (values: { n: number }) => string
    addInstead: string
  }
  details: {
    button: string
    about: string
    toggle: (values: { name: Words }) => string
    names: {
      key: string
      feedback: string
      standards: string
      difficulty: string
      place: string
      source: string
      state: string
    } & Record<string, string>
    hint: string
    none: string
    level: (values: { n: number }) => string
    nothingSaid: string
    when: {
      right: string
      partly: string
      wrong: string
      general: string
    } & Record<string, string>
    hintOf: string
    ofPart: (values: { part: Words; when: Words }) => string
  }
  dispatch: {
    title: string
    what: string
    tray: (values: { n: number }) => string
    bank: (values: { name: Words }) => string
    matching: (values: { name: Words }) => string
    assessment: (values: { name: Words }) => string
    nothing: string
    format: string
    formats: {
      qti30: string
      qti22: string
      qti21: string
      qti12: string
      cc13: string
      pack: string
      docx: string
      odt: string
      md: string
      html: string
      xlsx: string
      csv: string
    } & Record<string, string>
    formatAbout: {
      qti30: string
      qti22: string
      qti21: string
      qti12: string
      cc13: string
      pack: string
      docx: string
      odt: string
      md: string
      html: string
      xlsx: string
      csv: string
    } & Record<string, string>
    columns: {
      label: string
      about: string
      own: string
    }
    keptAbout: string
    keptCells: {
      whole: string
      near: string
      hand: string
    } & Record<string, string>
    keptMeans: {
      fully: string
      approximately: string
      'manual marking': string
    } & Record<string, string>
    keptKind: string
    keptBack: (values: { kind: Words }) => string
    keptShow: (values: { kind: Words; by: Words }) => string
    deliver: string
    delivered: string
    notTaken: string
    sent: string
    counted: string
    agree: string
    disagree: string
    differs: (values: { rows: Words }) => string
    expected: string
    looking: string
    noneExpected: string
    checkedFirst: (values: { n: number; of: number }) => string
    lossIn: (values: { n: number }) => string
    untitled: string
    totals: {
      questions: string
      points: string
      media: string
    } & Record<string, string>
    testOf: (values: { title: Words }) => string
    drawsOf: (values: { title: Words }) => string
    seeDesk: string
    along: string
    alongs: {
      key: string
      feedback: string
      classification: string
      notes: string
    } & Record<string, string>
    rolls: {
      label: (values: { n: number }) => string
      copies: string
      about: string
    }
    write: string
    writing: string
    fetch: string
    noLosses: string
    losses: (values: { n: number }) => string
    notes: (values: { n: number }) => string
    more: (values: { n: number }) => string
    hash: string
    without: string
    moreThere: (values: { name: Words; n: number }) => string
    fewerThere: (values: { name: Words; n: number }) => string
    assessmentCount: (values: { n: number }) => string
    stimulusCount: (values: { n: number }) => string
    mediaCount: (values: { n: number }) => string
    keptTexts: {
      title: string
      about: string
      kept: string
      lost: string
      of: {
        picture: string
        figure: string
        align: string
        view: string
        recording: string
        title: string
        captions: string
        transcript: string
        plays: string
        equation: string
        table: string
        column: string
        rule: string
        blocks: string
        lists: string
        marks: string
        links: string
        language: string
      }
    }
  }
  document: {
    view: string
    list: string
    label: string
    left: string
    right: string
    loading: string
    correcting: string
    corrected: string
    is: {
      heading: string
      stimulus: string
      key: string
      unused: string
    } & Record<string, string>
    unused: {
      title: (values: { n: number }) => string
      about: string
      use: string
      asOf: (values: { n: Words }) => string
      show: string
    }
    line: {
      menu: (values: { n: Words }) => string
      question: string
      more: string
      heading: string
      stimulus: string
      unused: string
      right: string
      like: (values: { word: Words }) => string
      forget: string
    }
    words: {
      answer: string
      feedback: string
      hint: string
      model: string
      scheme: string
    } & Record<string, string>
    key: {
      title: string
      about: string
      none: string
      questions: (values: { n: number }) => string
      means: string
      automatic: (values: { key: string | boolean }) => string
      key: string
      nothing: string
      offer: (values: { look: Words }) => string
      applied: (values: { look: Words }) => string
    }
    looks: {
      bold: string
      italic: string
      underline: string
      strike: string
      unstruck: string
      colour: string
      highlight: string
    } & Record<string, string>
    lookOf: {
      colour: (values: { value: Words }) => string
      highlight: (values: { value: Words }) => string
      sign: (values: { value: Words }) => string
      letter: string
    }
    certain: {
      sure: string
      check: string
      none: string
      label: (values: { percent: number }) => string
    }
    why: string
    whyTitle: (values: { n: Words }) => string
    whyCertain: (values: { percent: number }) => string
    signs: {
      number: string
      paragraph: string
      options: string
      'options-without-letters': string
      'true-false': string
      gaps: string
      'list-in-brackets': string
      matching: string
      ordering: string
      essay: string
      parts: string
      corrected: string
      'ticked-box': string
      'answer-line': string
      'answer-before-number': string
      'answer-in-sentence': string
      'key-section': string
      'marked-option': string
      bold: string
      italic: string
      underlined: string
      highlighted: string
      coloured: string
      'others-struck-out': string
      'marked-letter': string
      'same-row': string
    } & Record<string, string>
    question: {
      menu: (values: { n: Words }) => string
      open: string
      join: string
      drop: string
      types: string
      edited: string
      points: (values: { n: number }) => string
      empty: string
    }
    types: {
      options: string
      words: string
      number: string
      essay: string
      matching: string
      ordering: string
    } & Record<string, string>
    tools: {
      title: string
      points: string
      setPoints: string
      held: string
      heldLine: (values: { n: Words; what: Words }) => string
      heldWord: (values: { word: Words; what: Words }) => string
      heldLook: (values: { look: Words; what: Words }) => string
      heldType: (values: { n: Words; what: Words }) => string
      heldKey: (values: { n: Words }) => string
      heldPoints: (values: { n: Words }) => string
      remove: string
      none: string
    }
    next: string
  }
  frame: {
    search: string
    searchBanks: string
    person: (values: { name: Words }) => string
    scheme: string
    schemes: {
      system: string
      light: string
      dark: string
    } & Record<string, string>
    coverage: string
    desk: string
    work: string
    bring: string
    commands: string
    commandsHint: string
    noCommand: string
    named: {
      banks: string
      assessments: string
      questions: string
    }
    nextPane: string
    previousPane: string
    keys: string
    keysAbout: string
    singleKeys: string
    close: string
    border: (values: { pane: Words }) => string
    notices: string
    undo: string
    undone: (values: { left: number; n: number }) => string
    removed: (values: { n: number }) => string
    signedOut: string
    signedOutAbout: string
    groups: {
      go: string
      here: string
      view: string
      writing: string
    }
    goBanks: string
    goTransfers: string
    goAssessments: string
    cancel: string
    save: string
    gallery: string
    account: string
    accountSettings: string
    unread: (values: { n: number }) => string
    people: string
    formats: string
  }
  graph: {
    tools: string
    names: {
      point: string
      segment: string
      line: string
      ray: string
      vector: string
      polyline: string
      polygon: string
      circle: string
      parabola: string
      ellipse: string
      hyperbola: string
      conic: string
      function: string
      inequality: string
      interval: string
      number_ray: string
    } & Record<string, string>
    steps: {
      point: string
      'segment-1': string
      'segment-2': string
      'line-1': string
      'line-2': string
      'ray-1': string
      'ray-2': string
      'vector-1': string
      'vector-2': string
      'circle-1': string
      'circle-2': string
      'parabola-1': string
      'parabola-2': string
      'ellipse-1': string
      'ellipse-2': string
      'ellipse-3': string
      'hyperbola-1': string
      'hyperbola-2': string
      'hyperbola-3': string
      'inequality-1': string
      'inequality-2': string
      'inequality-3': string
      'interval-1': string
      'interval-2': string
      'number_ray-1': string
      'number_ray-2': string
      polyline: string
      polygon: string
    } & Record<string, string>
    next: (values: { what: Words }) => string
    full: string
    placed: (values: { place: Words }) => string
    keysHint: string
    dashed: string
    firstIn: string
    secondIn: string
    finish: string
    undo: string
    clear: string
    larger: string
    smaller: string
    sketch: string
    wipe: string
    type: string
    put: string
    notPlace: string
    notNumber: string
    formula: string
    boundary: string
    side: string
    above: string
    below: string
    coefficients: string
    from: string
    to: string
    draw: string
    list: string
    remove: (values: { figure: Words }) => string
    otherSide: string
    numbersOf: (values: { figure: Words }) => string
  }
  help: {
    title: string
    search: string
    contents: string
    page: string
    api: string
    found: (values: { n: number }) => string
  }
  home: {
    begun: string
    begunNothing: string
    untitled: {
      question: string
      stimulus: string
    } & Record<string, string>
    recent: string
    recentNothing: string
    waiting: string
    waitingNothing: string
    in_review: (values: { n: number }) => string
    incomplete: (values: { n: number }) => string
    failing: (values: { n: number }) => string
    drafts: (values: { n: number }) => string
    untopiced: (values: { n: number }) => string
    unnamed: (values: { n: number }) => string
    intakes: string
    changed: string
    changedNothing: string
    change: (values: { person: Words; note: Words }) => string
  }
  intake: {
    give: string
    giveAbout: string
    drop: string
    pick: string
    paste: string
    pasteHint: string
    pasteAbout: string
    pastedName: string
    pasteTooLong: string
    read: (values: { files: number; text: string | boolean }) => string
    takeOff: (values: { name: Words }) => string
    sending: string
    choose: string
    parts: {
      title: string
      about: string
      find: string
      all: string
      none: string
      noneFound: string
      untitled: string
      loose: string
      kinds: {
        quiz: string
        pool: string
        section: string
        loose: string
      } & Record<string, string>
      questions: (values: { n: number }) => string
      draws: (values: { from: Words }) => string
      brought: (values: { by: Words }) => string
      others: (values: { list: Words }) => string
      go: (values: { parts: number; questions: number }) => string
      cancel: string
      nothing: string
    }
    goesTo: (values: { bank: Words }) => string
    reading: string
    correcting: string
    correctingAbout: (values: { n: number }) => string
    found: (values: { n: number; percent: number }) => string
    committing: string
    undoing: string
    settled: (values: { n: number; all: number }) => string
    stop: string
    stopped: string
    again: string
    goOn: string
    discard: string
    discardTitle: (values: { title: Words }) => string
    discardAbout: (values: { n: number }) => string
    discarded: (values: { title: Words }) => string
    list: string
    shows: {
      all: string
      new: string
      duplicate: string
      loss: string
      incomplete: string
      skipped: string
    } & Record<string, string>
    outcomes: {
      added: string
      replaced: string
      'left out': string
    } & Record<string, string>
    anyKind: string
    anyFile: string
    kind: string
    file: string
    search: string
    number: (values: { n: number }) => string
    skip: string
    unskip: string
    skippedMark: string
    duplicate: {
      identifier: string
      origin: string
      words: string
      earlier: string
      near: string
      near_earlier: string
    } & Record<string, string>
    notices: {
      note: string
      loss: string
      problem: string
    } & Record<string, string>
    noticeCount: {
      note: (values: { n: number }) => string
      loss: (values: { n: number }) => string
      problem: (values: { n: number }) => string
    } & Record<string, (values: { n: number }) => string>
    ofFiles: (values: { n: number }) => string
    line: (values: { line: number }) => string
    open: string
    pickOne: string
    nothing: string
    classification: string
    there: (values: { title: Words }) => string
    twin: (values: { n: number }) => string
    differs: string
    alike: string
    compare: string
    asCome: string
    asThere: string
    decision: string
    decisions: {
      '': string
      skip: string
      add: string
      replace: string
    } & Record<string, string>
    usual: string
    selected: (values: { n: number }) => string
    all: (values: { n: number }) => string
    selectAll: (values: { n: number }) => string
    unselect: string
    set: string
    setTitle: (values: { n: number }) => string
    setAbout: string
    points: string
    setGo: (values: { n: number }) => string
    topic: string
    topicHint: string
    tag: string
    done: (values: { n: number }) => string
    left: (values: { n: number; why: Words }) => string
    group: string
    anyGroup: string
    regroup: string
    regroupAbout: string
    groupName: (values: { title: Words }) => string
    groupKinds: {
      pool: string
      section: string
      quiz: string
      heading: string
      folder: string
    } & Record<string, string>
    place: string
    placeAt: (values: { path: Words }) => string
    placeTitle: string
    there_: string
    fresh: string
    freshName: string
    bank: string
    pickBank: string
    folder: string
    folderHint: string
    will: string
    newPart: string
    usePlace: string
    bringIn: (values: { n: number }) => string
    nothingToBring: string
    undo: string
    undoAbout: string
    takenBack: (values: { added: number; replaced: number; left: number }) => string
    receipt: string
    receiptOf: {
      intake: string
      undo: string
      dispatch: string
    } & Record<string, string>
    by: (values: { person: Words; at: Words }) => string
    tally: {
      what: string
      source: string
      result: string
    }
    rows: {
      questions: string
      points: string
      added: string
      replaced: string
      skipped: string
    } & Record<string, string>
    things: {
      stimuli: string
      media: string
      groups: string
      assessments: string
      draws: string
      paragraphs: string
    } & Record<string, string>
    unusedParagraphs: (values: { n: number }) => string
    makesAssessments: (values: { n: number; titles: Words }) => string
    foldersMade: (values: { n: number }) => string
    download: {
      csv: string
      json: string
    }
    lost: string
    toBank: (values: { bank: Words }) => string
    noPart: string
    stayed: string
    moreMade: (values: { n: number }) => string
    mended: string
    saveStaged: string
    saveNext: string
    inIntake: (values: { title: Words }) => string
    back: string
    untitledGroup: string
    adds: (values: { n: number }) => string
    replaces: (values: { n: number }) => string
    skips: (values: { n: number }) => string
  }
  marking: {
    title: string
    titleOf: (values: { what: Words }) => string
    keys: string
    keysOfPoints: string
    points: string
    pointsOf: (values: { of: number }) => string
    of: (values: { of: number }) => string
    open: string
    leftOut: (values: { n: Words }) => string
    compare: string
    answer: string
    which: string
    keepAsModel: string
    keptAsModel: string
    stale: (values: { n: number }) => string
    allMarked: string
    stillOpen: (values: { n: number }) => string
    markToo: string
    markTooOf: (values: { what: Words }) => string
    blind: string
    keepMarks: string
    agreement: string
    by: string
    specimens: string
    exact: string
    near: string
    kappa: string
    kappaHint: string
    outdated: (values: { n: number }) => string
    compared: (values: { count: Words; yours: Words }) => string
    noKappa: string
  }
  media: {
    title: string
    find: string
    list: string
    upload: string
    uploading: (values: { done: number; of: number }) => string
    added: (values: { n: number }) => string
    known: (values: { name: Words; as: Words }) => string
    refused: (values: { name: Words; why: Words }) => string
    drop: string
    about: string
    limits: (values: { picture: Words; pixels: Words; sound: Words; film: Words }) => string
    none: string
    noneFound: string
    noneBinned: string
    found: (values: { n: number }) => string
    more: string
    kind: string
    kinds: {
      '': string
      image: string
      audio: string
      video: string
      text: string
    } & Record<string, string>
    which: string
    only: {
      '': string
      used: string
      unused: string
      'no-alt': string
      binned: string
    } & Record<string, string>
    look: string
    looks: {
      grid: string
      list: string
    } & Record<string, string>
    details: string
    name: string
    save: string
    saved: string
    altUsual: string
    pixels: (values: { width: Words; height: Words }) => string
    seconds: (values: { seconds: Words }) => string
    sizing: (values: { made: Words; of: Words }) => string
    usedIn: string
    uses: (values: { n: number }) => string
    moreUses: string
    revision: (values: { n: Words }) => string
    places: {
      text: string
      answers: string
      feedback: string
      hints: string
    } & Record<string, string>
    download: string
    bin: string
    binned: (values: { name: Words }) => string
    restore: string
    restored: (values: { name: Words }) => string
    replace: string
    replaceTitle: (values: { name: Words }) => string
    replaceAbout: string
    replaceBy: string
    replaceGo: (values: { n: number }) => string
    replaceStimuli: (values: { n: number }) => string
    replaceSame: string
    replaceKind: string
    showIn: string
    size: string
    anySize: string
    larger: (values: { size: Words }) => string
    replacedStimuli: (values: { n: number }) => string
  }
  migration: {
    view: string
    folders: {
      title: string
      about: string
      by: string
      none: string
      presets: {
        quiz: string
        kind: string
        both: string
        heading: string
        points: string
        topic: string
        own: string
      } & Record<string, string>
      pattern: string
      patternAbout: (values: { parts: Words }) => string
      count: (values: { n: number }) => string
      name: (values: { path: Words }) => string
      questions: (values: { n: number }) => string
    }
    titles: {
      title: string
      about: string
      pattern: string
      go: string
      done: (values: { n: number }) => string
    }
    had: {
      title: string
      about: string
      quiz: string
      of: string
      draw: string
      pool: string
      points: string
      certain: string
      known: string
      assumed: string
      add: string
      remove: (values: { n: Words }) => string
      clear: string
      copy: string
      all: string
      line: (values: { what: Words; n: Words }) => string
      file: string
      fileAbout: string
      paste: string
      pasteTitle: string
      pasteAbout: string
      pasteGo: string
      words: string
      read: (values: { n: number }) => string
    }
    tally: {
      title: string
      none: string
      agrees: (values: { n: number }) => string
      differs: (values: { n: number }) => string
      ok: string
      found: (values: { n: number }) => string
      stated: (values: { draw: Words; of: Words }) => string
      unstated: string
      quiz: string
      questions: string
      draws: string
      asked: string
      points: string
      assumed: (values: { n: number }) => string
    }
    bank: {
      title: string
      about: string
      go: (values: { n: number }) => string
      done: (values: { n: number }) => string
    }
    receipt: {
      title: string
      ask: string
      askTitle: string
      askAbout: string
      email: string
      words: string
      send: string
      asked: (values: { name: Words }) => string
      confirm: string
      confirmed: (values: { name: Words; when: Words }) => string
      open: string
      sent: string
      line: (values: { quiz: Words; draw: Words; of: Words }) => string
    }
  }
  order: {
    tabs: {
      topics: string
      folders: string
      tags: string
    } & Record<string, string>
    about: {
      topics: (values: { team: string | boolean }) => string
      folders: string
      tags: string
    }
    missing: {
      topics: (values: { count: number }) => string
      folders: (values: { count: number }) => string
      tags: (values: { count: number }) => string
    } & Record<string, (values: { count: number }) => string>
    see: string
    tree: (values: { kind: string | boolean }) => string
    howTo: string
    holding: (values: { name: Words }) => string
    inside: string
    before: string
    after: string
    atTop: string
    letGo: string
    pickUp: string
    sort: string
    sorted: string
    rename: string
    merge: string
    mergeTitle: (values: { name: Words }) => string
    mergeAbout: string
    mergeInto: string
    mergeGo: string
    mergePick: string
    uses: string
    usesOf: (values: { name: Words }) => string
    usesHere: (values: { here: number; below: number }) => string
    usesNone: string
    usesOthers: (values: { count: number }) => string
    usesStimuli: (values: { count: number }) => string
    usesSearches: (values: { count: number }) => string
    show: string
    outline: string
    outlineTitle: (values: { kind: string | boolean }) => string
    outlineAbout: string
    outlineText: string
    outlineBelow: string
    outlineFound: (values: { count: number }) => string
    outlineGo: string
    outlineDone: (values: { made: number; there: number }) => string
    find: (values: { kind: string | boolean }) => string
    none: (values: { kind: string | boolean }) => string
    noneFound: string
    renameTag: (values: { name: Words }) => string
    renameTagAbout: string
    newName: string
    removeTag: (values: { name: Words }) => string
    removeTagTitle: (values: { name: Words; count: number }) => string
    count: (values: { count: number }) => string
    readers: string
  }
  paper: {
    forms: {
      title: string
      command: string
      about: string
      none: string
      count: string
      seed: string
      seedAbout: string
      run: string
      make: string
      again: string
      againAbout: string
      made: (values: { n: number; at: Words; by: Words }) => string
      somebody: string
      sets: string
      print: string
      old: string
      changed: (values: { n: number; titles: Words }) => string
      limits: string
      equal: string
      form: (values: { letter: Words }) => string
      points: string
      minutes: string
      difficulty: string
      unknown: string
      table: string
      tableAbout: string
      question: string
      hidden: string
      csv: string
      drawn: string
    }
    print: {
      of: string
      master: string
      forms: (values: { at: Words }) => string
      makeForms: string
      school: string
      course: string
      aids: string
      aidsHint: string
      head: string
      questions: string
      page: string
      words: string
      author: string
      group: string
      boxes: string
      pointsAt: string
      pointsAts: {
        margin: string
        after: string
      } & Record<string, string>
      look: string
      looks: {
        usual: string
        reading: string
        contrast: string
      } & Record<string, string>
      font: string
      fonts: {
        serif: string
        sans: string
      } & Record<string, string>
      numbering: string
      numberings: {
        through: string
        section: string
      } & Record<string, string>
      prefix: string
      prefixHint: string
      labels: string
      labelStyles: {
        '1': string
        '': string
        A: string
        a: string
        i: string
        none: string
      } & Record<string, string>
      labelsOfForms: string
      stimuli: string
      stimulis: {
        once: string
        each: string
        facing: string
      } & Record<string, string>
      language: string
      languages: {
        '': string
        en: string
        de: string
        fr: string
        es: string
        it: string
        nl: string
        pl: string
        pt: string
      } & Record<string, string>
      byHand: string
      wordNames: {
        name: string
        date: string
        group: string
        key: string
        scheme: string
        notes: string
        answers: string
        author: string
        contents: string
        keys: string
        question: string
        fill: string
        written: string
      } & Record<string, string>
      roll: string
      standards: string
      difficulty: string
      source: string
      breakBefore: (values: { what: Words }) => string
      breakShort: string
      thumbnails: string
      goTo: (values: { n: number; what: Words }) => string
      questionsOf: string
      where: (values: { label: Words; page: number }) => string
      split: (values: { n: Words; paper: Words; from: number; to: number }) => string
      pdf: string
      html: string
      docx: string
      odt: string
      receipts: string
      noReceipts: string
      receipt: (values: { what: Words; pages: number }) => string
      receiptAt: (values: { at: Words; by: Words }) => string
      versions: (values: { n: number }) => string
      template: string
      noTemplate: string
      keep: string
      keepTitle: string
      keepName: string
      keepGo: string
      kept: (values: { title: Words }) => string
      deleteTemplate: string
      deleted: (values: { title: Words }) => string
      ofForm: (values: { paper: Words; letter: Words }) => string
      documents: string
      toQuestion: (values: { what: Words }) => string
      single: (values: { page: Words; n: Words; paper: Words }) => string
      shrunk: (values: { n: Words; paper: Words }) => string
      named: (values: { label: Words; title: Words }) => string
      insteadOf: (values: { word: Words }) => string
      lines: (values: { n: number }) => string
      keeping: string
    }
  }
  parts: {
    chooses: {
      one: string
      several: string
    }
    types: string
    typesNumber: string
    option: string
    optionNamed: (values: { sign: Words }) => string
    ruleNumber: (values: { n: number }) => string
    credit: string
    feedback: string
    feedbackRule: string
    addFeedback: string
    addOption: string
    addRule: string
    firstOption: string
    nextOption: string
    remove: (values: { what: Words }) => string
    isKey: (values: { option: Words }) => string
    stays: (values: { option: Words }) => string
    settings: string
    label: string
    noPlace: string
    putBack: string
    mayChoose: string
    oneOption: string
    severalOptions: string
    atLeast: string
    atMost: string
    all: string
    layout: string
    layouts: {
      column: string
      row: string
      grid: string
      menu: string
    } & Record<string, string>
    labeling: string
    labelings: {
      '1': string
      A: string
      a: string
      i: string
      none: string
    } & Record<string, string>
    shuffle: string
    shuffleOrder: string
    schemeOfPairs: string
    costOfExtra: string
    selectPiece: string
    freePiece: string
    everyWord: string
    whoPicks: string
    once: string
    often: string
    pickedUp: (values: { what: Words }) => string
    pairFirst: string
    pairSecond: string
    pairFeedback: (values: { n: number }) => string
    feedbackOf: string
    ofPart: string
    whoJoins: string
    isTold: string
    look: string
    shuffled: string
    points: string
    key: string
    theAnswer: string
    earns: string
    words: string
    wordings: string
    shape: string
    slips: string
    slipsOf: (values: { n: number }) => string
    capitals: string
    cases: {
      '': string
      ignore: string
      keep: string
    } & Record<string, string>
    answers: {
      is: string
      holds: string
      holds_all: string
      holds_any: string
      slips: string
      shape: string
      otherwise: string
    } & Record<string, string>
    asQuestion: string
    normalising: {
      case: {
        title: string
        options: {
          ignore: string
          keep: string
        } & Record<string, string>
      }
      spaces: {
        title: string
        options: {
          trim: string
          collapse: string
          ignore: string
        } & Record<string, string>
      }
      punctuation: {
        title: string
        options: {
          keep: string
          ignore: string
        } & Record<string, string>
      }
      accents: {
        title: string
        options: {
          keep: string
          ignore: string
        } & Record<string, string>
      }
      marks: {
        title: string
        options: {
          plain: string
          keep: string
        } & Record<string, string>
      }
      article: {
        title: string
        options: {
          keep: string
          ignore: string
        } & Record<string, string>
      }
    }
    width: string
    placeholder: string
    numberAnswers: {
      value: string
      set: string
      range: string
      otherwise: string
    } & Record<string, string>
    value: string
    values: string
    from: string
    to: string
    endsName: string
    ends: {
      both: string
      from: string
      to: string
      none: string
    } & Record<string, string>
    range: (values: { from: Words; to: Words; ends: Words }) => string
    tolerance: string
    margin: string
    tolerances: {
      exact: string
      absolute: string
      percent: string
      places: string
      figures: string
    } & Record<string, string>
    digits: string
    digitsOf: (values: { kind: string | boolean; n: number }) => string
    toDigits: (values: { n: number; kind: string | boolean }) => string
    writtenSo: string
    zerosCount: string
    zerosHelp: string
    mayBeTyped: string
    notations: {
      decimal: string
      separators: string
      scientific: string
      percent: string
      fraction: string
      mixed: string
    } & Record<string, string>
    showWhen: (values: { what: Words }) => string
    shows: {
      both: string
      during: string
      after: string
    } & Record<string, string>
    scheme: string
    schemes: {
      all: string
      each: string
      balance: string
      judge: string
      weights: string
      person: string
    } & Record<string, string>
    pairFormulas: {
      all: string
      each: string
      balance: string
      judge: string
      weights: string
      person: string
    } & Record<string, string>
    schemeFormulas: {
      all: string
      each: string
      balance: string
      judge: string
      weights: string
      person: string
    } & Record<string, string>
    units: {
      title: string
      policy: string
      policies: {
        none: string
        optional: string
        required: string
      } & Record<string, string>
      unit: string
      unitHint: string
      other: string
      others: {
        convert: string
        refuse: string
        credit: string
      } & Record<string, string>
      choices: string
      choicesHint: string
      matters: {
        missing: string
        wrong: string
        prefix: string
        other: string
      } & Record<string, string>
      earns: string
      ofIt: string
      choose: string
      none: string
      summary: string
      understood: (values: { what: Words }) => string
    }
    figures: {
      asked: string
      digits: string
      zeros: string
      otherwise: string
      summary: (values: { n: number }) => string
    }
  }
  people: {
    tabs: {
      people: string
      teams: string
      log: string
    }
    invite: string
    inviteAbout: string
    name: string
    email: string
    words: string
    administrator: string
    inviteGo: string
    invited: (values: { name: Words }) => string
    columns: {
      name: string
      banks: string
      teams: string
      seen: string
      state: string
    }
    state: {
      active: string
      disabled: string
      invited: string
    }
    isAdministrator: string
    hasFactor: string
    actions: (values: { name: Words }) => string
    makeAdministrator: string
    removeAdministrator: string
    disable: string
    enable: string
    inviteAgain: string
    resetFactor: string
    handOver: string
    handOverTitle: (values: { name: Words }) => string
    handOverAbout: (values: { name: Words; n: number }) => string
    handOverTo: string
    handOverGo: string
    handedOver: (values: { n: number }) => string
    done: string
    noTeams: string
    newTeam: string
    editTeam: (values: { name: Words }) => string
    teamName: string
    members: string
    memberCount: (values: { n: number }) => string
    bankCount: (values: { n: number }) => string
    deleteTeam: string
    logAbout: string
    download: string
    more: string
    log: {
      at: string
      kind: string
      person: string
      address: string
    }
    kinds: {
      sign_in: string
      sign_in_failed: string
      sign_out: string
      password_changed: string
      password_reset_sent: string
      second_factor_on: string
      second_factor_off: string
      recovery_code_used: string
      token_created: string
      token_deleted: string
      sessions_ended: string
      person_invited: string
      person_disabled: string
      person_enabled: string
      administrator_made: string
      administrator_removed: string
      hand_over: string
      team_changed: string
      team_deleted: string
      grants_changed: string
    } & Record<string, string>
  }
  picture: {
    tools: string
    toolNames: {
      select: string
      rectangle: string
      circle: string
      ellipse: string
      polygon: string
      target: string
    }
    hints: {
      select: string
      rectangle: string
      circle: string
      ellipse: string
      polygon: string
      target: string
    }
    polygonHint: string
    keysHint: string
    duplicate: string
    remove: string
    align: string
    alignSeveral: string
    lining: {
      left: string
      middle: string
      right: string
      top: string
      centre: string
      bottom: string
      across: string
      down: string
    }
    smaller: string
    larger: string
    fit: string
    zoom: (values: { n: number }) => string
    thing: (values: { n: number; name: string | boolean; kind: string | boolean }) => string
    nowAt: (values: { x: number; y: number }) => string
    dropHere: string
    noLibrary: string
    choose: string
    exchange: string
    scale: string
    keepPlaces: string
    otherSize: (values: { now: Words; before: Words }) => string
    shows: string
    showsHint: string
    units: (values: { width: number; height: number }) => string
    form: string
    corners: string
    numbers: {
      left: string
      top: string
      right: string
      bottom: string
      x: string
      y: string
      r: string
      rx: string
      ry: string
    }
    isRight: (values: { what: Words }) => string
    select: (values: { what: Words }) => string
    nameOf: (values: { what: Words }) => string
    coordinates: (values: { what: Words }) => string
    up: (values: { what: Words }) => string
    down: (values: { what: Words }) => string
    notDrawn: string
    overlaps: (values: { list: Words }) => string
    nested: (values: { list: Words }) => string
    area: (values: { n: number }) => string
    crosshair: string
    crosshairHint: string
    place: (values: { x: number; y: number; width: number; height: number }) => string
    marked: (values: { n: number; x: number; y: number }) => string
    taken: string
    marks: (values: { n: number }) => string
    full: string
    clear: string
    mark: (values: { n: number }) => string
    noPicture: string
  }
  problem: {
    title: string
    offline: string
    retry: string
    broken: string
    reload: string
  }
  questionTable: {
    view: string
    columns: string
    loading: string
    reading: string
    read: string
    about: string
    sheet: string
    readSheet: string
    header: string
    headerRow: (values: { row: Words }) => string
    noHeader: string
    rows: string
    perQuestion: string
    perOption: string
    keys: string
    keyStyles: {
      letter: string
      position: string
      fromZero: string
      words: string
    }
    decimal: string
    point: string
    comma: string
    is: (values: { column: Words }) => string
    row: string
    meanings: {
      ignored: string
      identifier: string
      kind: string
      title: string
      question: string
      passage: string
      option: string
      options: string
      answer: string
      'right answer': string
      'wrong answer': string
      mark: string
      'option feedback': string
      tolerance: string
      unit: string
      points: string
      feedback: string
      'feedback when right': string
      'feedback when wrong': string
      hint: string
      'model answer': string
      picture: string
      'alternative text': string
      folder: string
      topic: string
      standard: string
      tags: string
      difficulty: string
      level: string
      minutes: string
      language: string
      source: string
      author: string
      notes: string
    } & Record<string, string>
    groups: {
      question: string
      options: string
      around: string
      about: string
    }
    kept: {
      title: string
      offer: (values: { name: Words }) => string
      use: string
      choose: string
      keep: string
      keepTitle: string
      keepAbout: string
      name: string
      go: string
      done: (values: { name: Words }) => string
      forget: (values: { name: Words }) => string
      forgotten: (values: { name: Words }) => string
    }
    wrong: {
      title: (values: { n: number }) => string
      about: string
      more: (values: { n: Words }) => string
      row: (values: { n: number; rows: Words }) => string
      skip: string
      skipOf: (values: { row: Words }) => string
      cell: (values: { heading: Words; address: Words }) => string
      whole: string
    }
    changes: {
      title: (values: { n: number }) => string
      cell: (values: { address: Words; text: Words }) => string
      empty: string
      row: (values: { row: Words }) => string
      mapping: string
      remove: string
    }
    templates: {
      title: string
      about: string
      of: {
        all: string
        choice: string
        several: string
        'true-false': string
        text: string
        number: string
        matching: string
        grouping: string
        ordering: string
        essay: string
      } & Record<string, string>
      xlsx: string
      csv: string
    }
  }
  record: {
    title: string
    topics: string
    tags: string
    folders: string
    difficulty: string
    level: string
    purpose: string
    status: string
    source: string
    licence: string
    author: string
    notes: string
    minutes: string
    specimens: string
    none: string
    unset: string
    add: (values: { what: Words }) => string
    takeOff: (values: { what: Words }) => string
    typeToAdd: string
    pickTopic: string
    pickFolder: string
    newPathOption: string
    newPath: (values: { label: Words }) => string
    newPathHint: string
    addTags: string
    removeTags: string
    addTopics: string
    removeTopics: string
    history: string
    noHistory: string
    changed: (values: { field: Words; before: Words; after: Words }) => string
    standards: string
  }
  revisions: {
    title: string
    one: (values: { n: number }) => string
    first: string
    same: string
    sameAsHere: string
    newest: string
    show: (values: { n: number }) => string
    since: {
      before: string
      now: string
    }
    against: string
    restore: (values: { n: number }) => string
    fields: {
      body: string
      parts: string
      options: string
      items: string
      tiles: string
      groups: string
      targets: string
      rules: string
      gates: string
      hints: string
      variables: string
      on: string
      scoring: string
      shuffle: string
      max: string
      min: string
      sequence: string
      normalise: string
      general: string
      other_credit: string
      other_feedback: string
      missing_credit: string
      missing_feedback: string
      wrong_credit: string
      wrong_feedback: string
      media: string
      rubric: string
      criteria: string
      levels: string
      models: string
      passages: string
      remarks: string
      missing: string
      alternatives: string
      cap: string
      needs: string
      reject: string
      prompts: string
      start: string
      spelling: string
      types: string
      link: string
      negative: string
    } & Record<string, string>
    numbered: (values: { name: Words; n: number }) => string
    named: (values: { name: Words; words: Words }) => string
  }
  rich: {
    bar: {
      label: string
      bold: string
      italic: string
      underline: string
      strike: string
      sub: string
      sup: string
      code: string
      list: string
      numbers: string
      link: string
      picture: string
      table: string
      symbols: string
      more: string
      recording: string
      equation: string
      rule: string
    }
    style: {
      label: string
      text: string
      h3: string
      h4: string
      h5: string
      quote: string
      pre: string
    }
    clear: string
    direction: {
      label: string
      auto: string
      ltr: string
      rtl: string
    }
    language: {
      label: string
      about: string
      none: string
      wrong: string
    }
    lists: {
      '1': string
      label: string
      a: string
      A: string
      i: string
      I: string
      start: string
      first: string
    }
    link: {
      title: string
      address: string
      words: string
      go: string
      change: string
      remove: string
      wrong: string
    }
    symbols: {
      recent: string
      groups: {
        maths: string
        greek: string
        arrows: string
        units: string
        letters: string
      }
    }
    table: {
      make: string
      rowAfter: string
      rowBefore: string
      columnAfter: string
      columnBefore: string
      noRow: string
      noColumn: string
      heads: string
      merge: string
      split: string
      none: string
      where: string
      caption: string
      captionTitle: string
      width: string
      widthTitle: string
      widthAbout: string
    }
    picture: {
      title: string
      upload: string
      uploading: (values: { n: number }) => string
      limits: (values: { mb: Words; pixels: Words }) => string
      search: string
      more: string
      alt: string
      altAbout: string
      decorative: string
      width: string
      own: (values: { width: Words; height: Words }) => string
      insert: string
      save: string
      remove: string
      handle: string
      noted: string
      undescribed: string
      refused: (values: { name: Words; why: Words }) => string
      known: (values: { name: Words; as: Words }) => string
      notPictures: string
      caption: string
      another: string
      crop: {
        go: string
        done: string
        label: string
        left: string
        top: string
        width: string
        height: string
        whole: string
      }
      stands: {
        label: string
        line: string
        left: string
        center: string
        right: string
        about: string
      }
      choose: {
        title: string
        wrong: string
        none: string
        nothing: string
      }
    }
    paste: {
      leftOut: (values: { what: Words }) => string
      long: string
      changed: string
      pictures: (values: { n: number }) => string
      embedded: (values: { n: number }) => string
      fields: (values: { n: number }) => string
      homeless: (values: { n: number }) => string
    }
    kept: {
      about: string
      source: string
    }
    recording: {
      audio: string
      video: string
      captions: string
      transcript: string
      plays: (values: { n: number }) => string
      left: (values: { n: number; of: number }) => string
      insert: {
        audio: string
        video: string
      }
      about: {
        audio: string
        video: string
      }
      save: string
      another: string
      title: string
      titleAbout: string
      transcriptAbout: string
      noCaptions: string
      make: string
      upload: string
      none: string
      notCaptions: string
      playsLabel: string
      unlimited: string
      unheard: string
      unheardAbout: string
      choose: {
        title: string
        wrong: string
        none: string
        nothing: string
        limits: (values: { audio: Words; video: Words; minutes: Words }) => string
      }
    }
    equation: {
      title: string
      field: string
      tex: string
      insert: string
      change: string
      block: string
      preview: string
      values: string
      unfilled: string
      wrong: (values: { why: Words }) => string
      groups: {
        basics: string
        letters: string
        signs: string
        chemistry: string
      }
      keys: {
        fraction: string
        power: string
        index: string
        root: string
        nthRoot: string
        brackets: string
        absolute: string
        mean: string
        vector: string
        sum: string
        integral: string
        matrix: string
        alpha: string
        beta: string
        gamma: string
        delta: string
        epsilon: string
        theta: string
        lambda: string
        mu: string
        pi: string
        rho: string
        sigma: string
        phi: string
        omega: string
        Delta: string
        Sigma: string
        Omega: string
        times: string
        dot: string
        division: string
        plusMinus: string
        notEqual: string
        atMost: string
        atLeast: string
        approximately: string
        proportional: string
        infinity: string
        element: string
        perpendicular: string
        parallel: string
        degree: string
        isotope: string
        symbol: string
        count: string
        positive: string
        negative: string
        reacts: string
        equilibrium: string
        gas: string
        solid: string
      }
    }
  }
  rubric: {
    name: string
    marking: string
    begin: string
    scheme: string
    schemes: {
      analytic: string
      holistic: string
      checklist: string
    }
    title: string
    titleHint: string
    guidance: string
    guidanceHint: string
    grid: string
    gridHint: string
    criterion: string
    criterionNumber: (values: { n: number }) => string
    criterionHint: string
    level: (values: { n: number }) => string
    levelOf: (values: { n: number; what: Words }) => string
    points: string
    pointNumber: (values: { n: number }) => string
    pointHint: string
    pointsAs: string
    pointsOf: (values: { what: Words }) => string
    pointsFrom: (values: { from: number; to: number; what: Words }) => string
    nameOf: (values: { what: Words }) => string
    nameHint: string
    describeOf: (values: { what: Words }) => string
    describeHint: string
    addLevel: string
    addLevelTo: (values: { what: Words }) => string
    addCriterion: string
    addPoint: string
    moveHint: string
    more: string
    moreOf: (values: { what: Words }) => string
    times: (values: { n: Words }) => string
    atMost: (values: { n: number }) => string
    onlyIf: (values: { what: Words }) => string
    countsTimes: string
    countsAtMost: string
    noMost: string
    inGroup: string
    noGroup: string
    mayTakeOff: string
    needs: string
    accept: string
    reject: string
    wordings: string
    group: string
    groupNumber: (values: { n: number }) => string
    groupHint: string
    any: string
    allOf: string
    ofThese: (values: { n: number }) => string
    addGroup: string
    inAllAtMost: string
    upTo: (values: { n: Words }) => string
    upToOf: (values: { n: Words; of: number }) => string
    pasted: (values: { n: number }) => string
    tooMany: (values: { most: number; n: number }) => string
    notRead: string
    remove: string
    notMarked: string
    given: (values: { n: Words }) => string
    notGiven: string
    byHand: string
    models: {
      title: string
      tab: (values: { n: number }) => string
      number: (values: { n: number }) => string
      hint: string
      add: string
      open: (values: { what: Words }) => string
      close: (values: { what: Words }) => string
      titleOf: (values: { what: Words }) => string
      titleHint: (values: { n: number }) => string
      remarksCount: (values: { n: number }) => string
      answer: string
      answerHint: string
      remark: string
      remarks: string
      remarkNumber: (values: { n: number }) => string
      remarkHint: string
      remarkHow: string
      selectFirst: string
      earns: string
      overall: string
      missing: string
      alternatives: string
      empty: string
    }
    about: string
    aboutOf: (values: { what: Words }) => string
    inGroupOf: (values: { any: number; what: Words }) => string
  }
  rubrics: {
    title: string
    rubric: string
    count: (values: { n: number }) => string
    uses: (values: { n: number }) => string
    none: string
    noneFound: string
    write: string
    untitled: string
    save: string
    saveFor: string
    saved: string
    remove: string
    removed: string
    removeTitle: string
    removeAbout: (values: { n: number }) => string
    followedBy: string
    notUsed: string
    hidden: (values: { n: number }) => string
    changeTitle: (values: { n: number }) => string
    changeAbout: string
    changeAlone: string
    changeAll: (values: { n: number }) => string
    stay: (values: { n: number }) => string
    choose: string
    chooseAbout: string
    find: string
    copy: string
    follow: string
    use: string
    keep: string
    kept: (values: { bank: Words }) => string
    nameFirst: string
    follows: (values: { title: Words; bank: Words }) => string
    newer: (values: { title: Words; bank: Words }) => string
    takeNewer: string
    makeOwn: string
    changeForAll: string
    cannotFollow: string
  }
  signIn: {
    title: string
    email: string
    password: string
    go: string
    out: string
    demo: string
    lead: string
  }
  specimens: {
    title: string
    about: string
    none: string
    kept: string
    keep: string
    response: string
    must: string
    now: string
    mustOf: (values: { what: Words }) => string
    note: string
    asStated: string
    otherwise: string
    take: (values: { scored: number }) => string
    takeOf: (values: { scored: number; what: Words }) => string
    remove: (values: { what: Words }) => string
    removed: string
    nothing: string
    roll: (values: { n: number }) => string
    after: (values: { n: number }) => string
    hints: (values: { n: number }) => string
    fromTable: string
    table: {
      title: string
      about: string
      text: string
      columns: string
      column: (values: { n: number }) => string
      head: string
      holds: {
        score: string
        note: string
        seed: string
        '': string
      } & Record<string, string>
      part: (values: { n: number; label: Words }) => string
      answer: string
      given: string
      known: string
      agrees: string
      differs: (values: { scored: number }) => string
      unread: (values: { n: number }) => string
      none: string
      statedBy: string
      fromTable: string
      fromNow: string
      keep: (values: { n: number }) => string
      added: (values: { n: number }) => string
      most: string
      partAlone: (values: { n: number }) => string
    }
    run: {
      about: string
      start: string
      again: string
      never: string
      going: (values: { done: number; of: number }) => string
      stop: string
      stopped: (values: { done: number; of: number }) => string
      failed: string
      good: (values: { n: number; of: number }) => string
      bad: (values: { failing: number; n: number; of: number }) => string
      none: string
      see: (values: { n: number }) => string
      progress: string
      rollsGood: (values: { n: number }) => string
      rollsBad: (values: { bad: number; n: number }) => string
    }
  }
  standards: {
    title: string
    framework: string
    standards: string
    statement: string
    statements: string
    noFrameworks: string
    noneNext: string
    counts: (values: { statements: number; n: number }) => string
    whoKeeps: string
    bringIn: string
    bringInAbout: string
    file: string
    paste: string
    pasteHint: string
    name: string
    version: string
    look: string
    store: string
    stored: (values: { title: Words }) => string
    read: (values: { n: number; links: Words }) => string
    noStatements: string
    how: string
    which: string
    hows: {
      new: string
      over: string
      beside: string
    }
    howAbout: {
      new: string
      over: string
      beside: string
    }
    comparedWith: (values: { framework: Words }) => string
    same: (values: { n: number }) => string
    differences: {
      reworded: (values: { n: number }) => string
      recoded: (values: { n: number }) => string
      moved: (values: { n: number }) => string
      added: (values: { n: number }) => string
      gone: (values: { n: number }) => string
    }
    notices: (values: { n: number }) => string
    findIn: string
    noneFound: string
    pickHint: string
    pick: string
    all: (values: { n: number }) => string
    usedOnly: string
    noneOf: (values: { framework: Words }) => string
    inFramework: (values: { framework: Words }) => string
    unmatched: string
    unmatchedCodes: string
    match: string
    matchCode: (values: { code: Words }) => string
    matchAbout: string
    matchFrom: (values: { framework: Words }) => string
    assesses: string
    touches: string
    relate: string
    relationOf: (values: { code: Words; relation: Words }) => string
    retired: string
    retire: string
    bringBack: string
    isRetired: string
    asCase: string
    add: string
    rename: string
    deleteFramework: string
    deleted: (values: { title: Words }) => string
    deleteStatement: string
    deleteTitle: (values: { name: Words }) => string
    deleteAbout: (values: { below: number }) => string
    deleteWhole: (values: { n: number }) => string
    addBelow: string
    moved: (values: { name: Words }) => string
    howTo: string
    saved: (values: { name: Words }) => string
    gone: string
    pickOne: string
    itsQuestions: string
    code: string
    short: string
    wording: string
    level: string
    belongsTo: string
    atTop: string
    putUnder: string
    toTop: string
    notes: string
    crosswalks: string
    noLinks: string
    link: string
    linkKind: string
    unlink: (values: { name: Words }) => string
    elsewhere: string
    links: {
      exact: string
      broader: string
      related: string
      replaced_by: string
    } & Record<string, string>
    linksBack: {
      exact: string
      broader: string
      related: string
      replaced_by: string
    } & Record<string, string>
    mapOver: string
    that: {
      assesses: (values: { statement: Words }) => string
      covers: (values: { statement: Words }) => string
    }
    mapOverAbout: (values: { framework: Words }) => string
    mapOverTo: string
    mapOverGo: string
    mapped: (values: { n: number }) => string
    notMapped: (values: { n: number; codes: Words }) => string
    keepOld: string
    movedOver: (values: { n: number }) => string
  }
  starts: {
    quick: string
    own: string
    ownHint: string
    remove: (values: { name: Words }) => string
    removed: (values: { name: Words }) => string
    keep: string
    keepAbout: string
    name: string
    keepGo: string
    kept: (values: { name: Words }) => string
    standard: {
      four: {
        name: string
        hint: string
      }
      several: {
        name: string
        hint: string
      }
      judge: {
        name: string
        hint: string
      }
      two: {
        name: string
        hint: string
      }
      gaps: {
        name: string
        hint: string
      }
      estimate: {
        name: string
        hint: string
      }
      pairs: {
        name: string
        hint: string
      }
      five: {
        name: string
        hint: string
      }
      sort: {
        name: string
        hint: string
      }
      agree: {
        name: string
        hint: string
      }
      page: {
        name: string
        hint: string
      }
    } & Record<string, {
        name: string
        hint: string
      }>
    true: string
    false: string
    agreeFrom: string
    agreeTo: string
    or: string
    defaults: {
      about: string
      language: string
      points: string
      shuffle: string
      shuffles: {
        '': string
        yes: string
        no: string
      } & Record<string, string>
      show: string
      allowed: string
      unlimited: string
      cost: string
      typed: string
      usual: string
      saved: string
    }
    replace: {
      title: string
      about: string
      find: string
      with: string
      case: string
      whole: string
      places: (values: { n: number }) => string
      none: string
      pick: (values: { n: number; found: Words }) => string
      go: (values: { n: number }) => string
      done: (values: { n: number }) => string
    }
    next: string
    previous: string
    typedAhead: (values: { text: Words }) => string
  }
  stimuli: {
    one: string
    fresh: string
    about: string
    find: string
    list: string
    reading: string
    which: string
    only: {
      '': string
      unused: string
      binned: string
    } & Record<string, string>
    anyFolder: string
    folder: string
    found: (values: { n: number }) => string
    none: string
    noneFound: string
    noneBinned: string
    noneUnused: string
    pick: string
    untitled: string
    hasFigure: string
    hasTable: string
    shownBy: (values: { n: number }) => string
    reach: (values: { n: number; approved: number; inAssessments: number }) => string
    changes: (values: { n: number; approved: number; inAssessments: number }) => string
    uses: string
    seeQuestions: (values: { n: number }) => string
    noUses: string
    write: string
    writeWith: string
    open: string
    onRequest: string
    onRequestAbout: string
    more: string
    bin: string
    binned: (values: { title: Words }) => string
    restore: string
    restored: (values: { title: Words }) => string
    isBinned: string
    back: string
    places: string
    text: string
    textHint: string
    titleField: string
    titleHint: string
    language: string
    save: (values: { n: number }) => string
    saveBack: string
    saved: (values: { n: number }) => string
    forQuestion: string
    above: string
    add: string
    addTitle: string
    addHint: string
    addNothing: string
    added: string
    takeOut: (values: { title: Words }) => string
    takeOutShort: string
    up: (values: { title: Words }) => string
    down: (values: { title: Words }) => string
    gone: string
    here: string
    forQuestions: (values: { title: Words; from: number; to: number }) => string
    again: (values: { title: Words; of: number }) => string
    conflict: (values: { n: number }) => string
    conflictAbout: string
    takeTheirs: string
    keepMine: (values: { n: number }) => string
    mine: string
    theirs: string
    tabs: {
      uses: string
      history: string
    } & Record<string, string>
    restoredHere: (values: { n: number }) => string
    forTwo: (values: { title: Words; from: number; to: number }) => string
    forOne: (values: { title: Words; n: number }) => string
  }
  table: {
    make: string
    about: string
    cells: string
    example: string
    next: string
    back: string
    pick: string
    header: string
    side: string
    answersAre: string
    kinds: {
      text: string
      number: string
      menu: string
    }
    pointsEach: string
    put: (values: { n: number }) => string
    all: string
    cell: (values: { words: Words; row: number; column: number }) => string
    answers: (values: { n: number }) => string
    pointsOfAll: string
    show: string
    hide: string
    allOf: (values: { head: Words }) => string
    emptyCell: string
  }
  tagging: {
    go: string
    title: string
    of: (values: { bank: Words }) => string
    tree: string
    topics: string
    progress: (values: { done: number; all: number }) => string
    elsewhere: (values: { n: number }) => string
    proposals: string
    because: (values: { words: Words }) => string
    noProposals: string
    search: string
    searchHint: string
    same: string
    sameAs: (values: { name: Words }) => string
    skip: string
    undo: string
    next: string
    chosen: string
    none: string
    done: string
    allDone: string
    allDoneNext: string
    restSkipped: string
    again: string
    difficulty: string
    purpose: string
    level: string
    touch: string
    assess: string
    take: (values: { n: Words; name: Words }) => string
    saved: (values: { name: Words }) => string
    undone: (values: { title: Words }) => string
    failed: (values: { why: Words }) => string
    keys: string
    question: string
    reading: string
  }
  tools: {
    title: string
    calculator: string
    calculators: {
      none: string
      basic: string
      scientific: string
    } & Record<string, string>
    ruler: string
    protractor: string
    scratch: string
    limit: string
    noLimit: string
    summary: {
      basic: string
      scientific: string
      minutes: (values: { n: number }) => string
    }
    open: string
    sheet: string
    measure: {
      ruler: string
      protractor: string
      keys: string
      length: (values: { n: Words; turn: number }) => string
      angle: (values: { n: number; turn: number }) => string
    }
    working: string
    workingAbout: string
    left: (values: { time: Words }) => string
    limitWas: (values: { time: Words }) => string
    over: string
    oneMinute: string
    clock: string
    calc: {
      type: string
      hint: string
      result: (values: { value: Words }) => string
      exactly: (values: { fraction: Words; value: Words }) => string
      mode: string
      modes: {
        degrees: string
        radians: string
      } & Record<string, string>
      equals: string
      clear: string
      back: string
      keep: string
      recall: string
      kept: (values: { value: Words }) => string
      history: string
      again: (values: { what: Words }) => string
      problem: {
        empty: string
        syntax: string
        zero: string
        none: string
        unknown: (values: { name: Words }) => string
      } & Record<string, unknown>
    }
  }
  trace: {
    'pairs.judged': string
    'sequence.counted': (values: { given: Words; of: Words; credit: Words }) => string
    'amend.mended': (values: { rule: Words; typed: Words; credit: Words }) => string
    'amend.found': (values: { typed: Words; credit: Words }) => string
    'amend.false': string
    'amends.counted': (values: { n: number; x: number; credit: Words }) => string
    'answer.opinion': string
    'answer.normalised': (values: { after: Words }) => string
    'answer.blank': string
    'answer.unreadable': (values: { sentence: Words }) => string
    'answer.for_a_person': string
    'rule.matched': (values: { rule: Words; credit: Words }) => string
    'default.applied': (values: { times: number; credit: Words }) => string
    'scheme.counted': (values: { r: Words; n: Words; w: number; x: Words; credit: Words }) => string
    'slips.counted': (values: { slips: number; rule: Words }) => string
    'slips.nearer_to_another': (values: { other: Words; rule: Words }) => string
    'number.read': (values: { value: Words }) => string
    'number.with_unit': (values: { value: Words; unit: Words }) => string
    'unit.converted': (values: { from: Words; to: Words }) => string
    'unit.missing': (values: { share: Words }) => string
    'unit.wrong': (values: { given: Words; unit: Words; share: Words }) => string
    'unit.prefix': (values: { given: Words; unit: Words; share: Words }) => string
    'unit.other': (values: { given: Words; unit: Words; share: Words }) => string
    'figures.other': (values: { wanted: number; share: Words }) => string
    'pattern.limit': (values: { rule: Words }) => string
    'credit.clamped': (values: { from: Words; to: Words }) => string
    'gate.closed': string
    'once.assigned': (values: { rule: Words }) => string
    'once.taken': string
    'parts.summed': (values: { value: Words; of: Words }) => string
    'parts.all_or_nothing': (values: { right: string | boolean }) => string
    'cost.hint': (values: { share: Words }) => string
    'cost.tries': (values: { share: Words }) => string
    'bounds.clamped': (values: { to: Words }) => string
    'points.scaled': (values: { to: Words; from: Words }) => string
    rounded: (values: { to: Words }) => string
    'amend.only_found': (values: { credit: Words }) => string
    'answer.unchanged': string
    'spots.judged': string
    'points.judged': string
    'figure.judged': (values: { figure: Words; verdict: string | boolean; why: Words; credit: Words }) => string
    'place.judged': (values: { verdict: string | boolean; name: Words }) => string
    'instead.answered': string
    'label.judged': (values: { right: string | boolean; label: Words; target: Words }) => string
    'words.counted': (values: { limit: string | boolean; words: number; most: Words; least: Words }) => string
    'files.counted': (values: { files: number }) => string
    'criterion.marked': (values: { criterion: Words; value: Words }) => string
    'criterion.dependent': (values: { criterion: Words }) => string
    'group.best': (values: { any: Words }) => string
    'group.capped': (values: { to: Words }) => string
    'rubric.summed': (values: { value: Words }) => string
    'rubric.capped': (values: { to: Words }) => string
    'points.given': (values: { points: Words }) => string
  } & Record<string, unknown>
  transfers: {
    remove: (values: { title: Words }) => string
    removeGo: string
    removeAbout: string
    title: string
    none: string
    noneNext: string
    direction: {
      in: string
      out: string
    } & Record<string, string>
    columns: {
      title: string
      state: string
      questions: string
      bank: string
      person: string
      at: string
    }
    state: {
      reading: string
      choosing: string
      correcting: string
      review: string
      committing: string
      committed: string
      undoing: string
      cancelled: string
      failed: string
      writing: string
      ready: string
    } & Record<string, string>
  }
  tray: {
    title: string
    holds: (values: { n: number }) => string
    ofKind: (values: { n: number; kind: Words }) => string
    put: string
    out: string
    empty: string
    emptied: (values: { n: number }) => string
    addTo: (values: { title: Words }) => string
    choose: string
    another: string
    fresh: string
    added: (values: { n: number; title: Words }) => string
    show: string
    send: string
    change: string
    more: string
    join: string
    joinGo: string
    joined: (values: { n: number }) => string
    notTrueFalse: (values: { why: Words }) => string
  }
  tree: {
    make: {
      folders: string
      topics: string
    } & Record<string, string>
    putInOrder: string
    makeIn: {
      folders: string
      topics: string
    } & Record<string, string>
    rename: string
    move: string
    remove: string
    name: string
    what: (values: { name: Words }) => string
    into: string
    top: string
    moved: (values: { name: Words; where: Words }) => string
    made: (values: { name: Words }) => string
    renamed: (values: { name: Words }) => string
    removeTitle: (values: { name: Words }) => string
    removeAbout: {
      folders: (values: { below: number; questions: number }) => string
      topics: (values: { below: number; questions: number }) => string
    } & Record<string, (values: { below: number; questions: number }) => string>
  }
  try: {
    title: string
    check: string
    again: string
    fresh: string
    finish: string
    showAnswer: string
    hideAnswer: string
    phone: string
    fullWidth: string
    tries: (values: { n: number; allowed: number }) => string
    values: string
    seed: string
    roll: string
    shuffleAgain: string
    changed: (values: { before: Words; after: Words }) => string
    unchanged: (values: { value: Words }) => string
    hint: (values: { left: number }) => string
    of: (values: { max: number }) => string
    state: {
      right: string
      partly: string
      wrong: string
      unanswered: string
      unreadable: string
      needs_marking: string
      unscored: string
    } & Record<string, string>
    why: string
    unavailable: string
    noTries: string
    inWords: string
    onPicture: string
    insteadOf: string
  }
  values: {
    title: string
    none: string
    list: string
    add: string
    named: (values: { name: Words }) => string
    name: string
    is: string
    kinds: {
      integer: string
      decimal: string
      list: string
      row: string
      sample: string
      expr: string
    } & Record<string, string>
    from: string
    to: string
    steps: string
    except: string
    exceptHint: string
    items: string
    itemsHint: string
    count: string
    outOf: string
    anyOrder: string
    sampleHelp: (values: { name: Words }) => string
    formula: string
    formulaHint: string
    example: (values: { value: Words }) => string
    column: (values: { n: number }) => string
    cell: (values: { column: Words; n: number }) => string
    addRow: string
    addColumn: string
    removeRow: (values: { n: number }) => string
    removeColumn: (values: { name: Words }) => string
    pasteHelp: string
    remove: (values: { name: Words }) => string
    shown: string
    shownOf: (values: { name: Words }) => string
    as: string
    formats: {
      decimal: string
      fraction: string
      scientific: string
    } & Record<string, string>
    round: string
    rounds: {
      no: string
      places: string
      figures: string
    } & Record<string, string>
    digits: string
    sign: string
    signs: {
      plain: string
      always: string
      natural: string
    } & Record<string, string>
    unit: string
    thousands: string
    conditions: string
    conditionsAbout: string
    condition: (values: { n: number }) => string
    addCondition: string
    removeCondition: (values: { n: number }) => string
    relations: {
      '!=': string
      '=': string
      '>': string
      '>=': string
      '<': string
      '<=': string
      whole: string
    } & Record<string, string>
    subject: string
    relation: string
    other: string
    asFormula: string
    functions: string
    functionsAbout: string
    about: {
      sqrt: string
      root: string
      exp: string
      ln: string
      log: string
      sin: string
      cos: string
      tan: string
      asin: string
      acos: string
      atan: string
      sind: string
      cosd: string
      tand: string
      asind: string
      acosd: string
      atand: string
      min: string
      max: string
      mean: string
      sum: string
      gcd: string
      lcm: string
      round: string
      figures: string
      floor: string
      ceil: string
      abs: string
      sign: string
      mod: string
      binom: string
      if: string
    } & Record<string, string>
    varyOf: (values: { number: Words }) => string
    varyHere: string
    varyAll: string
    varied: (values: { number: Words; name: Words; n: number }) => string
    study: {
      title: string
      about: string
      all: (values: { rolls: number; different: number }) => string
      some: (values: { rolls: number; different: number }) => string
      working: string
      fine: string
      constant: (values: { names: Words }) => string
      reason: (values: { n: number; why: Words }) => string
      found: {
        key_equals_option: string
        options_equal: string
        rules_coincide: string
        mistake_accepted: string
        ugly: string
      } & Record<string, string>
      times: (values: { what: Words; n: number }) => string
      ugly: (values: { n: number }) => string
      look: (values: { seed: Words }) => string
      values: string
      value: string
      range: string
      distinct: string
      how: string
      bar: (values: { from: Words; to: Words; n: number }) => string
      single: (values: { value: Words; n: number }) => string
      answer: (values: { name: Words }) => string
      rolls: string
      roll: (values: { seed: Words }) => string
      fails: (values: { why: Words }) => string
      try: string
      tryOf: (values: { seed: Words }) => string
      forbid: string
      forbidOf: (values: { seed: Words }) => string
      forbidden: string
      more: string
      impossible: string
      rightAnswer: string
      constantKey: string
    }
    selectNumber: string
    insert: (values: { name: Words }) => string
    putIn: string
    open: string
  }
  work: {
    about: string
    none: string
    kinds: {
      intake: string
      dispatch: string
      act: string
      specimens: string
    } & Record<string, string>
    columns: {
      what: string
      problem: string
      person: string
      at: string
    }
    unknown: string
    again: string
    begun: string
  }
  kind: {
    amend: {
      name: string
      start: string
      hint: string
      mends: string
      text: string
      textHint: string
      make: string
      compare: string
      faulty: string
      right: string
      find: string
      found: (values: { n: number }) => string
      instead: (values: { fault: Words }) => string
      isRight: string
      gone: string
      cost: string
      onlyFound: string
      scheme: string
      schemes: {
        each: string
        all: string
        weights: string
        person: string
      } & Record<string, string>
      formulas: {
        each: string
        all: string
        weights: string
        person: string
      } & Record<string, string>
      mend: (values: { word: Words }) => string
      typed: (values: { word: Words }) => string
      leave: (values: { word: Words }) => string
    }
    choice: {
      name: string
      start: string
      hint: string
    }
    essay: {
      name: string
      start: string
      hint: string
      writes: string
      formats: {
        plain: string
        rich: string
      }
      format: string
      answerIs: string
      from: string
      to: string
      words: string
      any: string
      fewest: string
      most: string
      lines: (values: { n: number }) => string
      linesOnPaper: string
      spelling: string
      beginsWith: string
      startHint: string
      prompts: string
      prompt: (values: { n: number }) => string
      promptHint: string
      addPrompt: string
      count: (values: { n: number }) => string
      over: (values: { max: number }) => string
      between: (values: { min: number; max: number }) => string
      atMost: (values: { max: number }) => string
      atLeast: (values: { min: number }) => string
    }
    graph: {
      name: string
      start: string
      hint: string
      draws: (values: { surface: string | boolean }) => string
      surface: string
      surfaces: {
        plane: string
        line: string
      }
      axis: (values: { axis: string | boolean }) => string
      from: string
      to: string
      step: string
      minor: string
      none: string
      axisName: string
      unit: string
      labels: string
      labelled: {
        numbers: string
        degrees: string
        pi: string
        none: string
      }
      snap: string
      free: string
      tools: string
      dashes: string
      max: string
      any: string
      centimetre: string
      given: string
      background: string
      choosePicture: string
      noPicture: string
      describe: string
      sides: {
        left: string
        bottom: string
        right: string
        top: string
      }
      edge: string
      opacity: string
      gridAnd: (values: { tools: Words }) => string
      now: string
      key: string
      drawHere: string
      answerN: (values: { n: number }) => string
      tolerance: string
      steps: string
      share: (values: { property: string | boolean }) => string
      anywhere: string
      region: string
      asks: string
      addAsk: string
      property: string
      properties: {
        figure: string
        corners: string
        slope: string
        through: string
        length: string
        area: string
        perimeter: string
        right_angle: string
        equal_sides: string
        radius: string
        centre: string
      } & Record<string, string>
      removeAsk: string
      learner: (values: { surface: string | boolean }) => string
    }
    group: {
      name: string
      start: string
      hint: string
      sorts: string
      group: (values: { n: number }) => string
      named: (values: { n: number }) => string
      holds: string
      any: string
      item: (values: { n: number }) => string
      addItem: string
      addGroup: string
      nowhere: string
      belongs: (values: { item: Words }) => string
      also: (values: { groups: Words }) => string
      bank: string
      empty: string
      sorted: string
    }
    highlight: {
      name: string
      start: string
      hint: string
      picks: string
      text: string
      textHint: string
      make: string
      right: string
      isRight: (values: { piece: Words }) => string
      none: string
    }
    label: {
      name: string
      start: string
      hint: string
      puts: string
      learner: string
      target: (values: { n: number }) => string
      targetHint: string
      label: (values: { n: number }) => string
      by: string
      ways: {
        placing: string
        menu: string
        typing: string
      } & Record<string, string>
      desk: string
      addTarget: string
      add: string
      noTargets: string
      targets: string
      labels: string
      belongs: string
      right: (values: { tile: Words; gap: number }) => string
      gone: string
      distractor: string
      uses: string
      times: (values: { n: number }) => string
      anyTimes: string
      left: (values: { n: number }) => string
      place: (values: { n: number; name: string | boolean; label: Words }) => string
      pick: string
      type: string
      empty: string
      rules: string
      addRule: string
      typedRule: (values: { n: number }) => string
      typedHint: string
      box: string
      line: string
      x: string
      y: string
      labelHere: string
    }
    match: {
      name: string
      start: string
      hint: string
      joins: string
      by: string
      ways: {
        lines: string
        menus: string
        grid: string
      } & Record<string, string>
      left: string
      right: string
      row: (values: { n: number }) => string
      partner: (values: { n: number }) => string
      addPair: string
      addPartner: string
      addRow: string
      addColumn: string
      distractor: string
      usesLeft: string
      usesRight: string
      joined: (values: { left: Words; right: Words }) => string
      cell: (values: { left: Words; right: Words }) => string
      choose: string
      notJoined: (values: { left: Words }) => string
    }
    menu: {
      name: string
      start: string
      hint: string
      picks: string
      choose: string
    }
    number: {
      name: string
      start: string
      hint: string
    }
    order: {
      name: string
      start: string
      hint: string
      orders: string
      item: (values: { n: number }) => string
      add: string
      rightOrder: string
      given: (values: { item: Words }) => string
      equal: (values: { item: Words }) => string
      layout: string
      layouts: {
        column: string
        row: string
        grid: string
        menu: string
        sentence: string
      } & Record<string, string>
      columns: string
      from: string
      captionHint: string
      lastCaptionHint: string
      to: string
      scheme: string
      schemes: {
        pairs: string
        all: string
        joins: string
        chain: string
        positions: string
        person: string
      } & Record<string, string>
      formulas: {
        pairs: string
        all: string
        joins: string
        chain: string
        positions: string
        person: string
      } & Record<string, string>
      move: (values: { direction: string | boolean; item: Words }) => string
      place: (values: { n: number }) => string
      at: (values: { item: Words; n: number; of: number }) => string
      first: string
      last: string
      choose: string
    }
    point: {
      name: string
      start: string
      hint: string
      places: string
      learner: (values: { max: number }) => string
      area: (values: { n: number }) => string
      areaHint: string
      add: string
      none: string
      desk: string
      max: string
      order: string
      nameHere: string
    }
    slider: {
      name: string
      start: string
      hint: string
      sets: string
      from: string
      to: string
      step: string
      meaning: string
      notSet: string
    }
    spot: {
      name: string
      start: string
      hint: string
      picks: string
      learner: string
      learnerMarks: string
      region: (values: { n: number }) => string
      regionHint: string
      show: string
      shows: {
        outlined: string
        hidden: string
      }
      add: string
      none: string
      desk: string
      hiddenHint: string
      outside: (values: { n: number }) => string
      places: (values: { n: number }) => string
      chosen: (values: { list: Words }) => string
      rest: string
      nameHere: string
    }
    survey: {
      name: string
      start: string
      hint: string
      gives: string
      by: string
      ways: {
        options: string
        scale: string
      } & Record<string, string>
      from: string
      to: string
      meaning: string
      option: (values: { n: number }) => string
      add: string
    }
    text: {
      name: string
      start: string
      hint: string
    }
    tiles: {
      name: string
      start: string
      hint: string
      puts: string
      tile: (values: { n: number }) => string
      tiles: string
      uses: string
      times: (values: { n: number }) => string
      belongs: string
      right: (values: { tile: Words; gap: number }) => string
      gone: string
      add: string
      noGaps: string
      bank: string
      left: (values: { n: number }) => string
      gap: (values: { n: number; tile: Words }) => string
      gapNamed: (values: { n: number }) => string
      putBack: string
      distractor: string
      anyTimes: string
      gapAlone: (values: { tile: Words }) => string
      empty: string
    }
    upload: {
      name: string
      start: string
      hint: string
      hands: string
      which: string
      kinds: {
        pictures: string
        pdf: string
        documents: string
        spreadsheets: string
        slides: string
        sound: string
        video: string
      }
      anyKind: string
      howMany: string
      howLarge: string
      kept: (values: { size: Words }) => string
      choose: (values: { n: number }) => string
      each: (values: { n: number; size: Words }) => string
      files: string
    }
  }
}
